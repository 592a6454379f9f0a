import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What is made again from the log and how far that has come, and secrets that the servers of a house share. */
export class TasksAndSecrets1764500000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "projection_task" (
      "id" smallint NOT NULL,
      "asked_at" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(),
      "done_to" uuid,
      CONSTRAINT "PK_projection_task" PRIMARY KEY ("id")
    )`);
    await runner.query(`CREATE TABLE "secret" (
      "name" character varying(40) NOT NULL,
      "value" text NOT NULL,
      CONSTRAINT "PK_secret" PRIMARY KEY ("name")
    )`);
    // tables that were new before this one knew nothing of what the log knew
    await runner.query(`INSERT INTO "projection_task" ("id") SELECT 1 WHERE EXISTS (SELECT 1 FROM "job")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "projection_task", "secret"`);
  }
}
