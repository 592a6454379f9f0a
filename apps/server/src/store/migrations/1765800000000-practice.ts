import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What people practised. */
export class Practice1765800000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "practice_try" ("id" uuid PRIMARY KEY, "person_id" uuid NOT NULL CONSTRAINT "practice_try_of_person" REFERENCES "person" ("id"),
        "skill" character varying(20) NOT NULL, "at" TIMESTAMP WITH TIME ZONE NOT NULL, "seed" integer NOT NULL, "level" smallint NOT NULL,
        "answer" jsonb NOT NULL, "off" double precision NOT NULL, "good" boolean NOT NULL)`,
    );
    await runner.query(`CREATE INDEX "practice_try_by_person" ON "practice_try" ("person_id", "at")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "practice_try"`);
  }
}
