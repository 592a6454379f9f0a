import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Hours of the house, and its plan of the bench. */
export class Day1765500000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "day" (
      "id" smallint NOT NULL PRIMARY KEY,
      "hours" jsonb,
      "pinned" jsonb NOT NULL,
      "in_force" jsonb NOT NULL,
      "version" integer NOT NULL)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "day"`);
  }
}
