import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `CREATE TABLE "owner" (
    "id" uuid NOT NULL,
    "name" character varying(80) NOT NULL,
    "contact" character varying(200) NOT NULL,
    "version" integer NOT NULL,
    CONSTRAINT "PK_8e86b6b9f94aece7d12d465dc0c" PRIMARY KEY ("id")
  )`,
  `CREATE TABLE "instrument" (
    "id" uuid NOT NULL,
    "passport" SERIAL NOT NULL,
    "name" character varying(80) NOT NULL,
    "facts" character varying(200) NOT NULL,
    "archetype_id" character varying(60) NOT NULL,
    "owner_id" uuid,
    "geometry" jsonb NOT NULL,
    "remark" text NOT NULL,
    "version" integer NOT NULL,
    CONSTRAINT "UQ_f8a10b4bfa5ec10c7e3c77c50b3" UNIQUE ("passport"),
    CONSTRAINT "PK_1707dc7e7c2845211b38bef3d29" PRIMARY KEY ("id")
  )`,
  `CREATE TABLE "setup" (
    "job_id" uuid NOT NULL,
    "instrument_id" uuid NOT NULL,
    "fitted_at" TIMESTAMP WITH TIME ZONE NOT NULL,
    "setup" jsonb NOT NULL,
    CONSTRAINT "PK_6362d343ecf62af2211de7b2c59" PRIMARY KEY ("job_id")
  )`,
  `CREATE INDEX "setup_by_instrument" ON "setup" ("instrument_id", "fitted_at")`,
  `CREATE TABLE "current_string" (
    "instrument_id" uuid NOT NULL,
    "string" smallint NOT NULL,
    "job_id" uuid NOT NULL,
    "construction" character varying(16) NOT NULL,
    "gauge_mm" double precision NOT NULL,
    "wrap" character varying(32),
    CONSTRAINT "PK_f5f134c581013ece13828e8e605" PRIMARY KEY ("instrument_id", "string")
  )`,
  `CREATE TABLE "job" (
    "id" uuid NOT NULL,
    "instrument_id" uuid NOT NULL,
    "reason" character varying(500) NOT NULL,
    "taken_in_at" TIMESTAMP WITH TIME ZONE NOT NULL,
    "promised_at" TIMESTAMP WITH TIME ZONE,
    "state" character varying(16) NOT NULL,
    "stage" character varying(16) NOT NULL,
    "set_name" character varying(80),
    CONSTRAINT "PK_98ab1c14ff8d1cf80d18703b92f" PRIMARY KEY ("id")
  )`,
  `CREATE INDEX "job_by_state" ON "job" ("state")`,
  `CREATE TABLE "person" (
    "id" uuid NOT NULL,
    "name" character varying(80) NOT NULL,
    "role" character varying(16) NOT NULL,
    "passphrase_hash" text NOT NULL,
    "preferences" jsonb NOT NULL,
    CONSTRAINT "UQ_27c811883af9f3fefe79892f02b" UNIQUE ("name"),
    CONSTRAINT "PK_5fdaf670315c4b7e70cce85daa3" PRIMARY KEY ("id")
  )`,
  `CREATE TABLE "bench_event" (
    "id" uuid NOT NULL,
    "seq" BIGSERIAL NOT NULL,
    "job_id" uuid NOT NULL,
    "person_id" uuid NOT NULL,
    "kind" character varying(32) NOT NULL,
    "event" jsonb NOT NULL,
    "stored_at" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(),
    CONSTRAINT "UQ_35e5efaf81e1e1e73a83c0c2c38" UNIQUE ("seq"),
    CONSTRAINT "PK_11b719339fadd174064ee865547" PRIMARY KEY ("id")
  )`,
  `CREATE INDEX "bench_event_by_job" ON "bench_event" ("job_id", "seq")`,
  `CREATE TABLE "session" (
    "sid" character varying NOT NULL,
    "sess" json NOT NULL,
    "expire" TIMESTAMP(6) NOT NULL,
    CONSTRAINT "PK_7575923e18b495ed2307ae629ae" PRIMARY KEY ("sid")
  )`,
  `CREATE INDEX "session_by_expiry" ON "session" ("expire")`,
  `CREATE TABLE "sign_in_try" (
    "key" character varying(200) NOT NULL,
    "hits" integer NOT NULL,
    "resets_at" TIMESTAMP WITH TIME ZONE NOT NULL,
    CONSTRAINT "PK_26d73055a5c15a93b7d098685d3" PRIMARY KEY ("key")
  )`,
  `ALTER TABLE "instrument" ADD CONSTRAINT "FK_345c24723cac2d5b046258bfc38" FOREIGN KEY ("owner_id") REFERENCES "owner"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "job" ADD CONSTRAINT "FK_fdd407cfffc233d3c3ff361561a" FOREIGN KEY ("instrument_id") REFERENCES "instrument"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "bench_event" ADD CONSTRAINT "FK_55bb5209c57e715ec335736159b" FOREIGN KEY ("job_id") REFERENCES "job"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "bench_event" ADD CONSTRAINT "FK_8cd0febb1d038f8b4e383bab446" FOREIGN KEY ("person_id") REFERENCES "person"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
];

/** People, register, jobs, the bench log and what is projected from it. */
export class Foundation1764000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      `DROP TABLE "bench_event", "job", "setup", "current_string", "instrument", "owner", "person", "session", "sign_in_try"`,
    );
  }
}
