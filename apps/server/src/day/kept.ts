import type { DataSource } from 'typeorm';
import type { KeptPromise } from '@gold-peg/contract/day';

const DAY_MS = 86_400_000;
/** So far back promises are looked at: how a house promises changes. */
const DAYS_BACK = 183;
const MOST = 400;

export const sinceWhen = (now: Date): Date => new Date(now.getTime() - DAYS_BACK * DAY_MS);

/** Promises of jobs that were handed over, latest first. An owner who comes late makes nobody late: ready is when the last step before the hand-over was done. */
export async function keptPromises(store: DataSource, now: Date): Promise<KeptPromise[]> {
  const rows: (Omit<KeptPromise, 'promisedAt' | 'readyAt' | 'kept'> & { promisedAt: Date; readyAt: Date })[] = await store.query(
    `SELECT j.id AS "jobId", j.instrument_id AS "instrumentId", i.passport, i.name, j.promised_at AS "promisedAt",
       j.promised_chance AS chance, j.planned_chance AS planned, j.promise_moved AS moved, done.at AS "readyAt"
     FROM job j JOIN instrument i ON i.id = j.instrument_id
     CROSS JOIN LATERAL (
       SELECT coalesce(max(step.at) FILTER (WHERE kind NOT IN ('handed-over', 'noted')), max(step.at)) AS at
       FROM bench_event e CROSS JOIN LATERAL (SELECT (e.event->>'at')::timestamptz AS at) step WHERE e.job_id = j.id
     ) done
     WHERE j.state = 'handed-over' AND j.promised_at BETWEEN $1 AND $2 AND done.at IS NOT NULL
     ORDER BY j.promised_at DESC LIMIT ${MOST}`,
    [sinceWhen(now), now],
  );
  return rows.map(({ promisedAt, readyAt, ...row }) => ({
    ...row,
    promisedAt: promisedAt.toISOString(),
    readyAt: readyAt.toISOString(),
    kept: !row.moved && readyAt <= promisedAt,
  }));
}

/** What was kept of what the plan held for so likely: what was stated is corrected already, and would unteach what was learned. */
export const plannedOf = (promises: readonly KeptPromise[]): { chance: number; kept: boolean }[] =>
  promises.flatMap(({ planned, kept }) => (planned === null ? [] : [{ chance: planned, kept }]));
