import { MoreThan, type DataSource, type EntityManager } from 'typeorm';
import type { StoredEvent } from '@gold-peg/contract/bench-log';
import { BenchEventRow } from '../store/index.js';

/** Events of a job after a place in the log, in the order stored. */
export async function readEvents(store: DataSource | EntityManager, jobId: string, after: number): Promise<StoredEvent[]> {
  const rows = await store.getRepository(BenchEventRow).find({ where: { jobId, seq: MoreThan(String(after)) }, order: { seq: 'ASC' } });
  return rows.map(({ event, seq, storedAt }) => ({ event, seq: Number(seq), storedAt: storedAt.toISOString() }));
}
