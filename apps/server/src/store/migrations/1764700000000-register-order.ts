import type { MigrationInterface, QueryRunner } from 'typeorm';

const CHANGES = [
  ['insert', 'NEW'],
  ['update', 'NEW'],
  ['delete', 'OLD'],
] as const;

const UP = [
  `ALTER TABLE "instrument" ADD "owner_name" text NOT NULL DEFAULT '', ADD "fitted_at" timestamptz NOT NULL DEFAULT '-infinity'`,
  `CREATE OR REPLACE FUNCTION "instrument_search"() RETURNS trigger LANGUAGE plpgsql AS $$
   BEGIN
     NEW.owner_name := coalesce((SELECT owner.name FROM owner WHERE owner.id = NEW.owner_id), '');
     NEW.search := lower(concat_ws(' ', lpad(NEW.passport::text, greatest(4, length(NEW.passport::text)), '0'), NEW.name, NEW.facts,
       NEW.owner_name));
     RETURN NEW;
   END $$`,
  `CREATE FUNCTION "instrument_fitted"() RETURNS trigger LANGUAGE plpgsql AS $$
   BEGIN
     UPDATE instrument SET fitted_at = coalesce((SELECT max(setup.fitted_at) FROM setup WHERE setup.instrument_id = instrument.id), '-infinity')
     WHERE id IN (SELECT instrument_id FROM changed);
     RETURN NULL;
   END $$`,
  ...CHANGES.map(
    ([change, rows]) => `CREATE TRIGGER "instrument_fitted_by_${change}" AFTER ${change} ON "setup" REFERENCING ${rows} TABLE AS changed
   FOR EACH STATEMENT EXECUTE FUNCTION "instrument_fitted"()`,
  ),
  `UPDATE "instrument" SET "name" = "name",
     "fitted_at" = coalesce((SELECT max(setup.fitted_at) FROM setup WHERE setup.instrument_id = "instrument"."id"), '-infinity')`,
  `CREATE INDEX "instrument_by_name" ON "instrument" (lower("name"), "passport")`,
  `CREATE INDEX "instrument_by_owner_name" ON "instrument" (lower("owner_name"), "passport")`,
  `CREATE INDEX "instrument_by_fitted_at" ON "instrument" ("fitted_at", "passport")`,
];

const DOWN = [
  `DROP INDEX "instrument_by_fitted_at"`,
  `DROP INDEX "instrument_by_owner_name"`,
  `DROP INDEX "instrument_by_name"`,
  ...CHANGES.map(([change]) => `DROP TRIGGER "instrument_fitted_by_${change}" ON "setup"`),
  `DROP FUNCTION "instrument_fitted"()`,
  `CREATE OR REPLACE FUNCTION "instrument_search"() RETURNS trigger LANGUAGE plpgsql AS $$
   BEGIN
     NEW.search := lower(concat_ws(' ', lpad(NEW.passport::text, greatest(4, length(NEW.passport::text)), '0'), NEW.name, NEW.facts,
       (SELECT owner.name FROM owner WHERE owner.id = NEW.owner_id)));
     RETURN NEW;
   END $$`,
  `ALTER TABLE "instrument" DROP COLUMN "fitted_at", DROP COLUMN "owner_name"`,
];

/** What the register can be put in order by: the name, the owner's name, and how long the strings have been on. */
export class RegisterOrder1764700000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
