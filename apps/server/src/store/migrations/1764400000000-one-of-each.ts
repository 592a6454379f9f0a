import type { MigrationInterface, QueryRunner } from 'typeorm';

const STRING = `BETWEEN 1 AND 24`;
const UP = [
  // what double requests left before the index: a second job that nobody worked on, and a name in other capitals
  `DELETE FROM "job" later USING "job" first
     WHERE later.instrument_id = first.instrument_id AND later.state = 'waiting' AND first.state <> 'handed-over'
       AND (first.state = 'on-bench' OR (first.taken_in_at, first.id) < (later.taken_in_at, later.id)) AND later.id <> first.id
       AND NOT EXISTS (SELECT 1 FROM "bench_event" WHERE job_id = later.id)`,
  `UPDATE "person" SET name = left(person.name, 74) || ' (' || nth || ')'
     FROM (SELECT id, row_number() OVER (PARTITION BY lower(name) ORDER BY id) AS nth FROM "person") AS same
     WHERE same.id = person.id AND nth > 1`,
  `ALTER TABLE "person" DROP CONSTRAINT "UQ_27c811883af9f3fefe79892f02b"`,
  `CREATE UNIQUE INDEX "person_by_name" ON "person" (lower("name"))`,
  `ALTER TABLE "person" ADD "version" integer NOT NULL DEFAULT 1`,
  `CREATE UNIQUE INDEX "job_open_of_instrument" ON "job" ("instrument_id") WHERE "state" <> 'handed-over'`,

  `ALTER TABLE "setup" ADD CONSTRAINT "setup_of_job" FOREIGN KEY ("job_id") REFERENCES "job"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "setup" ADD CONSTRAINT "setup_of_instrument" FOREIGN KEY ("instrument_id") REFERENCES "instrument"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "current_string" ADD CONSTRAINT "current_string_of_job" FOREIGN KEY ("job_id") REFERENCES "job"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "current_string" ADD CONSTRAINT "current_string_of_instrument" FOREIGN KEY ("instrument_id") REFERENCES "instrument"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "turns_counted" ADD CONSTRAINT "turns_counted_of_job" FOREIGN KEY ("job_id") REFERENCES "job"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "turns_counted" ADD CONSTRAINT "turns_counted_of_instrument" FOREIGN KEY ("instrument_id") REFERENCES "instrument"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "turns_counted" ADD CONSTRAINT "turns_counted_of_person" FOREIGN KEY ("person_id") REFERENCES "person"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "stage_time" ADD CONSTRAINT "stage_time_of_job" FOREIGN KEY ("job_id") REFERENCES "job"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "stage_time" ADD CONSTRAINT "stage_time_of_person" FOREIGN KEY ("person_id") REFERENCES "person"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "stock_use" ADD CONSTRAINT "stock_use_of_job" FOREIGN KEY ("job_id") REFERENCES "job"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,

  `ALTER TABLE "person" ADD CONSTRAINT "person_role" CHECK ("role" IN ('owner', 'technician', 'counter'))`,
  `ALTER TABLE "job" ADD CONSTRAINT "job_state" CHECK ("state" IN ('waiting', 'on-bench', 'handed-over'))`,
  `ALTER TABLE "current_string" ADD CONSTRAINT "current_string_range" CHECK ("string" ${STRING} AND "gauge_mm" > 0)`,
  `ALTER TABLE "turns_counted" ADD CONSTRAINT "turns_counted_range" CHECK ("string" ${STRING})`,
  `ALTER TABLE "stage_time" ADD CONSTRAINT "stage_time_range" CHECK ("minutes" > 0 AND "string_count" ${STRING})`,
  `ALTER TABLE "stock_use" ADD CONSTRAINT "stock_use_kind" CHECK ("kind" IN ('set', 'string') AND "state" IN ('reserved', 'used', 'scrapped', 'kept'))`,
  `ALTER TABLE "stock_movement" ADD CONSTRAINT "stock_movement_kind" CHECK ("kind" IN ('set', 'string') AND "what" IN ('counted', 'delivered') AND "amount" >= 0)`,
  `ALTER TABLE "stock_item" ADD CONSTRAINT "stock_item_range" CHECK ("kind" IN ('set', 'string') AND "reorder_at" >= 0 AND "reorder_to" >= "reorder_at")`,
];

const DOWN = [
  ...[
    'stock_item_range',
    'stock_movement_kind',
    'stock_use_kind',
    'stage_time_range',
    'turns_counted_range',
    'current_string_range',
    'job_state',
    'person_role',
  ],
  ...[
    'stock_use_of_job',
    'stage_time_of_person',
    'stage_time_of_job',
    'turns_counted_of_person',
    'turns_counted_of_instrument',
    'turns_counted_of_job',
  ],
  ...['current_string_of_instrument', 'current_string_of_job', 'setup_of_instrument', 'setup_of_job'],
].map((name) => `ALTER TABLE "${name.replace(/_(of_\w+|range|kind|state|role)$/, '')}" DROP CONSTRAINT "${name}"`);

/** One open job for an instrument, one person of a name, and nothing derived that belongs to nothing. */
export class OneOfEach1764400000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
    await runner.query(`DROP INDEX "job_open_of_instrument"`);
    await runner.query(`ALTER TABLE "person" DROP COLUMN "version"`);
    await runner.query(`DROP INDEX "person_by_name"`);
    await runner.query(`ALTER TABLE "person" ADD CONSTRAINT "UQ_27c811883af9f3fefe79892f02b" UNIQUE ("name")`);
  }
}
