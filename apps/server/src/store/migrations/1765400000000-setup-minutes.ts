import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Setups tell the minutes that were attended to them: they are made again from the log. */
export class SetupMinutes1765400000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`INSERT INTO "projection_task" ("id") SELECT 1 WHERE EXISTS (SELECT FROM "job")
      ON CONFLICT ("id") DO UPDATE SET "asked_at" = now(), "done_to" = NULL`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`UPDATE "setup" SET "setup" = "setup" - 'minutes'`);
  }
}
