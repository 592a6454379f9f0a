import type { MigrationInterface, QueryRunner } from 'typeorm';

const INDEXES: readonly (readonly [name: string, on: string])[] = [
  ['instrument_by_search', `"instrument" USING gin ("search" gin_trgm_ops)`],
  ['instrument_by_passport', `"instrument" ("passport") INCLUDE ("search")`],
  ['instrument_by_owner', `"instrument" ("owner_id")`],
  ['owner_by_name', `"owner" (lower("name"), "id")`],
  ['owner_by_search', `"owner" USING gin (lower("name") gin_trgm_ops)`],
  ['job_by_instrument', `"job" ("instrument_id")`],
  ['stock_use_by_item', `"stock_use" ("kind", "item_id", "state", "at")`],
  ['stock_use_kept', `"stock_use" ("kind", "item_id") WHERE "state" = 'kept'`],
  ['stock_use_by_time', `"stock_use" ("at")`],
  ['stock_movement_by_time', `"stock_movement" ("at")`],
  ['turns_counted_by_instrument_and_time', `"turns_counted" ("instrument_id", "at")`],
  ['turns_counted_by_person_and_time', `"turns_counted" ("person_id", "at")`],
];

const UP = [
  `CREATE EXTENSION IF NOT EXISTS pg_trgm`,
  `ALTER TABLE "instrument" ADD "search" text NOT NULL DEFAULT ''`,
  `CREATE FUNCTION "instrument_search"() RETURNS trigger LANGUAGE plpgsql AS $$
   BEGIN
     NEW.search := lower(concat_ws(' ', lpad(NEW.passport::text, greatest(4, length(NEW.passport::text)), '0'), NEW.name, NEW.facts,
       (SELECT owner.name FROM owner WHERE owner.id = NEW.owner_id)));
     RETURN NEW;
   END $$`,
  `CREATE TRIGGER "instrument_search" BEFORE INSERT OR UPDATE OF "passport", "name", "facts", "owner_id" ON "instrument"
   FOR EACH ROW EXECUTE FUNCTION "instrument_search"()`,
  `CREATE FUNCTION "owner_search"() RETURNS trigger LANGUAGE plpgsql AS $$
   BEGIN
     UPDATE instrument SET owner_id = owner_id WHERE owner_id = NEW.id;
     RETURN NULL;
   END $$`,
  `CREATE TRIGGER "owner_search" AFTER UPDATE OF "name" ON "owner" FOR EACH ROW EXECUTE FUNCTION "owner_search"()`,
  `UPDATE "instrument" SET "name" = "name"`,
  `DROP INDEX "turns_counted_by_instrument"`,
  `DROP INDEX "turns_counted_by_person"`,
  ...INDEXES.map(([name, on]) => `CREATE INDEX "${name}" ON ${on}`),
];

const DOWN = [
  ...INDEXES.map(([name]) => `DROP INDEX "${name}"`),
  `CREATE INDEX "turns_counted_by_instrument" ON "turns_counted" ("instrument_id")`,
  `CREATE INDEX "turns_counted_by_person" ON "turns_counted" ("person_id")`,
  `DROP TRIGGER "owner_search" ON "owner"`,
  `DROP TRIGGER "instrument_search" ON "instrument"`,
  `DROP FUNCTION "owner_search"()`,
  `DROP FUNCTION "instrument_search"()`,
  `ALTER TABLE "instrument" DROP COLUMN "search"`,
];

/** A register of a hundred thousand: what lists and searches are answered from. */
export class Size1764600000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
