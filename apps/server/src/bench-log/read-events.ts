import { MoreThan, type DataSource, type EntityManager } from 'typeorm';
import { EVENT_KINDS, readEvent, type StoredEvent } from '@gold-peg/contract/bench-log';
import { BenchEventRow } from '../store/index.js';

/** Events of a job after a place in the log, in the order stored; no more than `most` of them. */
export async function readEvents(store: DataSource | EntityManager, jobId: string, after: number, most?: number): Promise<StoredEvent[]> {
  const rows = await store
    .getRepository(BenchEventRow)
    .find({ where: { jobId, seq: MoreThan(String(after)) }, order: { seq: 'ASC' }, ...(most === undefined ? {} : { take: most }) });
  return rows.flatMap(({ event: raw, seq, storedAt }) => {
    const event = readEvent(raw, EVENT_KINDS);
    return event === null ? [] : [{ event, seq: Number(seq), storedAt: storedAt.toISOString() }];
  });
}
