import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was said to owners. */
export class Outbox1765000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "message" (
      "id" uuid NOT NULL PRIMARY KEY,
      "instrument_id" uuid NOT NULL CONSTRAINT "message_of_instrument" REFERENCES "instrument" ("id"),
      "person_id" uuid NOT NULL CONSTRAINT "message_of_person" REFERENCES "person" ("id"),
      "way" varchar(8) NOT NULL CONSTRAINT "message_way" CHECK ("way" IN ('mail', 'text')),
      "recipient" varchar(80) NOT NULL,
      "address" varchar(200) NOT NULL,
      "text" text NOT NULL,
      "sent_at" timestamptz NOT NULL,
      "file" varchar(120) NOT NULL)`);
    await runner.query(`CREATE INDEX "message_by_instrument" ON "message" ("instrument_id", "sent_at")`);
    await runner.query(`CREATE INDEX "message_by_time" ON "message" ("sent_at")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "message"`);
  }
}
