import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The whole log by person, by kind and by time. */
export class LogSearch1764900000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE INDEX "bench_event_by_person" ON "bench_event" ("person_id", "seq")`);
    await runner.query(`CREATE INDEX "bench_event_by_kind" ON "bench_event" ("kind", "seq")`);
    await runner.query(`CREATE INDEX "bench_event_by_time" ON "bench_event" ("stored_at", "seq")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const by of ['time', 'kind', 'person']) await runner.query(`DROP INDEX "bench_event_by_${by}"`);
  }
}
