import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What an instrument is found by; `more`: columns beside passport, name, kind and owner. */
const searchOf = (more: string) => `CREATE OR REPLACE FUNCTION "instrument_search"() RETURNS trigger LANGUAGE plpgsql AS $$
   BEGIN
     NEW.owner_name := coalesce((SELECT owner.name FROM owner WHERE owner.id = NEW.owner_id), '');
     NEW.search := lower(concat_ws(' ', lpad(NEW.passport::text, greatest(4, length(NEW.passport::text)), '0'), NEW.name, NEW.facts,
       NEW.owner_name${more}));
     RETURN NEW;
   END $$`;
const triggerAt = (columns: string) => `CREATE TRIGGER "instrument_search" BEFORE INSERT OR UPDATE OF ${columns} ON "instrument"
   FOR EACH ROW EXECUTE FUNCTION "instrument_search"()`;

const COLUMNS = `"passport", "name", "facts", "owner_id"`;

const UP = [
  `ALTER TABLE "instrument" ADD "archived_at" timestamptz`,
  `DROP TRIGGER "instrument_search" ON "instrument"`,
  searchOf(', NEW.remark'),
  triggerAt(`${COLUMNS}, "remark"`),
  `UPDATE "instrument" SET "name" = "name" WHERE "remark" <> ''`,
];

const DOWN = [
  `DROP TRIGGER "instrument_search" ON "instrument"`,
  searchOf(''),
  triggerAt(COLUMNS),
  `UPDATE "instrument" SET "name" = "name" WHERE "remark" <> ''`,
  `ALTER TABLE "instrument" DROP COLUMN "archived_at"`,
];

/** Instruments that are gone leave the register, and stay in the log; notes are searched as well. */
export class Archive1765100000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
