import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Who works, is locked out or has left; codes for the bench, links for a new passphrase, and who did what. */
export class Office1765700000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE "person" ADD "standing" character varying(8) NOT NULL DEFAULT 'works', ADD "code_hash" text,
        ADD CONSTRAINT "person_standing" CHECK ("standing" IN ('works', 'locked', 'left'))`,
    );
    await runner.query(
      `CREATE TABLE "act" ("id" uuid PRIMARY KEY, "at" TIMESTAMP WITH TIME ZONE NOT NULL, "person_id" uuid CONSTRAINT "act_of_person" REFERENCES "person" ("id"),
        "kind" character varying(20) NOT NULL, "says" text NOT NULL)`,
    );
    await runner.query(`CREATE INDEX "act_by_time" ON "act" ("at", "id")`);
    await runner.query(
      `CREATE TABLE "bench_device" ("id" uuid PRIMARY KEY, "name" character varying(40) NOT NULL, "token_hash" character(64) NOT NULL CONSTRAINT "bench_device_token" UNIQUE,
        "allowed_at" TIMESTAMP WITH TIME ZONE NOT NULL)`,
    );
    await runner.query(
      `CREATE TABLE "passphrase_link" ("person_id" uuid PRIMARY KEY CONSTRAINT "passphrase_link_of_person" REFERENCES "person" ("id"),
        "token_hash" character(64) NOT NULL CONSTRAINT "passphrase_link_token" UNIQUE,
        "until" TIMESTAMP WITH TIME ZONE NOT NULL)`,
    );
    await runner.query(
      `CREATE TABLE "copy" ("id" uuid PRIMARY KEY, "made_at" TIMESTAMP WITH TIME ZONE NOT NULL,
        "person_id" uuid CONSTRAINT "copy_of_person" REFERENCES "person" ("id"), "file" character varying(80) NOT NULL,
        "state" character varying(12) NOT NULL CONSTRAINT "copy_state" CHECK ("state" IN ('under-way', 'written', 'compared', 'failed')), "says" text,
        "bytes" double precision, "instruments" integer, "lines" integer, "seconds" double precision, "carried_at" TIMESTAMP WITH TIME ZONE)`,
    );
    await runner.query(`CREATE INDEX "copy_by_time" ON "copy" ("made_at")`);
    await runner.query(`CREATE INDEX "session_by_person" ON "session" ((sess->>'personId'))`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP INDEX "session_by_person"`);
    await runner.query(`DROP TABLE "copy", "passphrase_link", "bench_device", "act"`);
    await runner.query(`ALTER TABLE "person" DROP CONSTRAINT "person_standing", DROP "standing", DROP "code_hash"`);
  }
}
