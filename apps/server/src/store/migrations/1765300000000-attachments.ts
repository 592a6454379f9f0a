import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Photos and scans beside passports. */
export class Attachments1765300000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "attachment" (
      "id" uuid NOT NULL PRIMARY KEY,
      "instrument_id" uuid NOT NULL CONSTRAINT "attachment_of_instrument" REFERENCES "instrument" ("id"),
      "person_id" uuid NOT NULL CONSTRAINT "attachment_of_person" REFERENCES "person" ("id"),
      "name" varchar(120) NOT NULL,
      "caption" varchar(200) NOT NULL,
      "type" varchar(20) NOT NULL CONSTRAINT "attachment_type" CHECK ("type" IN ('image/jpeg', 'image/png', 'image/webp', 'application/pdf')),
      "added_at" timestamptz NOT NULL,
      "content" bytea NOT NULL)`);
    await runner.query(`CREATE INDEX "attachment_by_instrument" ON "attachment" ("instrument_id", "added_at")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "attachment"`);
  }
}
