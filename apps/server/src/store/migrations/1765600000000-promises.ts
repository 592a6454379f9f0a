import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was said of a promise when it was made, and whether another hour was agreed on since. */
export class Promises1765600000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE "job" ADD "promised_chance" double precision, ADD "planned_chance" double precision, ADD "promise_moved" boolean NOT NULL DEFAULT false`,
    );
    await runner.query(
      `ALTER TABLE "job" ADD CONSTRAINT "job_chance" CHECK ("promised_chance" BETWEEN 0 AND 1 AND "planned_chance" BETWEEN 0 AND 1)`,
    );
    await runner.query(`CREATE INDEX "job_by_promise" ON "job" ("promised_at")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP INDEX "job_by_promise"`);
    await runner.query(
      `ALTER TABLE "job" DROP CONSTRAINT "job_chance", DROP "promised_chance", DROP "planned_chance", DROP "promise_moved"`,
    );
  }
}
