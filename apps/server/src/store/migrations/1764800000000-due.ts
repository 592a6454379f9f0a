import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `ALTER TABLE "instrument" ADD "weekly_hours" double precision, ADD "hours_asked_at" timestamptz,
     ADD "due_at" timestamptz NOT NULL DEFAULT 'infinity'`,
  `ALTER TABLE "instrument" ADD CONSTRAINT "instrument_hours"
     CHECK ("weekly_hours" BETWEEN 0 AND 100 AND ("weekly_hours" IS NULL) = ("hours_asked_at" IS NULL))`,
  `CREATE INDEX "instrument_by_due_at" ON "instrument" ("due_at", "passport")`,
  // when each is due is told by its log
  `INSERT INTO "projection_task" ("id") SELECT 1 WHERE EXISTS (SELECT FROM "job")
     ON CONFLICT ("id") DO UPDATE SET "asked_at" = now(), "done_to" = NULL`,
];

const DOWN = [
  `DROP INDEX "instrument_by_due_at"`,
  `ALTER TABLE "instrument" DROP CONSTRAINT "instrument_hours"`,
  `ALTER TABLE "instrument" DROP COLUMN "due_at", DROP COLUMN "hours_asked_at", DROP COLUMN "weekly_hours"`,
];

/** How much an instrument is played, and when it should come back. */
export class Due1764800000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
