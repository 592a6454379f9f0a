import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `CREATE TABLE "house" (
    "id" smallint NOT NULL,
    "methods" jsonb NOT NULL,
    "version" integer NOT NULL,
    CONSTRAINT "PK_8c9220195fd0a289745855fe908" PRIMARY KEY ("id")
  )`,
  `INSERT INTO "house" ("id", "methods", "version") VALUES (1, '{}', 1)`,
  `CREATE TABLE "turns_counted" (
    "job_id" uuid NOT NULL,
    "string" smallint NOT NULL,
    "instrument_id" uuid NOT NULL,
    "person_id" uuid NOT NULL,
    "at" TIMESTAMP WITH TIME ZONE NOT NULL,
    "counted" jsonb NOT NULL,
    CONSTRAINT "PK_turns_counted" PRIMARY KEY ("job_id", "string")
  )`,
  `CREATE INDEX "turns_counted_by_instrument" ON "turns_counted" ("instrument_id")`,
  `CREATE INDEX "turns_counted_by_person" ON "turns_counted" ("person_id")`,
  `ALTER TABLE "instrument" ADD "methods" jsonb NOT NULL DEFAULT '{}'`,
];

const DOWN = [`ALTER TABLE "instrument" DROP COLUMN "methods"`, `DROP TABLE "turns_counted"`, `DROP TABLE "house"`];

/** Ways of the house and of single instruments, and turns that were counted. */
export class MethodsAndCounts1764200000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
