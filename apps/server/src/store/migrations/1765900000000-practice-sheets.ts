import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Exercise sheets that owners give to people. */
export class PracticeSheets1765900000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "practice_sheet" ("id" uuid PRIMARY KEY, "title" character varying(60) NOT NULL,
        "made_by_id" uuid NOT NULL CONSTRAINT "practice_sheet_of_person" REFERENCES "person" ("id"), "made_at" TIMESTAMP WITH TIME ZONE NOT NULL,
        "taken_back_at" TIMESTAMP WITH TIME ZONE, "for_ids" jsonb NOT NULL, "skills" jsonb NOT NULL, "kinds" jsonb NOT NULL,
        "level" smallint NOT NULL, "each" smallint NOT NULL, "within" double precision NOT NULL)`,
    );
    await runner.query(
      `ALTER TABLE "practice_try" ADD "sheet_id" uuid CONSTRAINT "practice_try_of_sheet" REFERENCES "practice_sheet" ("id")`,
    );
    await runner.query(`CREATE INDEX "practice_try_by_sheet" ON "practice_try" ("sheet_id")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "practice_try" DROP COLUMN "sheet_id"`);
    await runner.query(`DROP TABLE "practice_sheet"`);
  }
}
