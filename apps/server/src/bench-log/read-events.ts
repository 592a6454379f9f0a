import type { DataSource, EntityManager } from 'typeorm';
import { EVENT_KINDS, readEvent, type StoredEvent } from '@gold-peg/contract/bench-log';

interface Row {
  event: object;
  seq: string;
  storedAt: Date;
}

/** Events of a job after a place in the log, in the order stored; no more than `most` of them. */
export async function readEvents(store: DataSource | EntityManager, jobId: string, after: number, most?: number): Promise<StoredEvent[]> {
  const rows: Row[] = await store.query(
    'SELECT event, seq, stored_at AS "storedAt" FROM bench_event WHERE job_id = $1 AND seq > $2 ORDER BY seq LIMIT $3',
    [jobId, after, most ?? null],
  );
  return rows.flatMap(({ event: raw, seq, storedAt }) => {
    const event = readEvent(raw, EVENT_KINDS);
    return event === null ? [] : [{ event, seq: Number(seq), storedAt: storedAt.toISOString() }];
  });
}
