import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How long the stages of finished jobs took, and whom. */
export class StageTimes1764300000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "stage_time" (
      "job_id" uuid NOT NULL,
      "person_id" uuid NOT NULL,
      "stage" character varying(16) NOT NULL,
      "family" character varying(16) NOT NULL,
      "string_count" smallint NOT NULL,
      "minutes" double precision NOT NULL,
      "at" TIMESTAMP WITH TIME ZONE NOT NULL,
      CONSTRAINT "PK_stage_time" PRIMARY KEY ("job_id", "person_id", "stage")
    )`);
    await runner.query(`CREATE INDEX "stage_time_by_person" ON "stage_time" ("person_id", "at")`);
    await runner.query(`CREATE INDEX "stage_time_by_family" ON "stage_time" ("family", "at")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "stage_time"`);
  }
}
