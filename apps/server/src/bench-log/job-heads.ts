import type { EntityManager } from 'typeorm';
import type { Family } from '@gold-peg/craft/string-kinds';
import { ANCHORS, isVibrato } from '@gold-peg/craft/instrument';
import type { JobRow } from '../store/index.js';

/** What the log needs to know of a job to be held to it and folded: its instrument, and its projections as they stand. */
export interface JobHead extends Pick<JobRow, 'id' | 'instrumentId' | 'state' | 'stage' | 'setName'> {
  family: Family;
  stringCount: number;
  /** Its bridge moves with the pull of the strings. */
  balances: boolean;
}

/** Anchors whose bridge moves, whatever else is said of it. */
const VIBRATOS = ANCHORS.filter((anchor) => isVibrato({ anchor }));
const HEAD = `j.id, j.instrument_id AS "instrumentId", j.state, j.stage, j.set_name AS "setName", i.geometry->>'family' AS family,
  jsonb_array_length(i.geometry->'strings') AS "stringCount",
  (i.geometry->'bridge'->>'anchor' = ANY('{${VIBRATOS.join(',')}}') OR (i.geometry->'bridge'->>'vibrato')::boolean IS TRUE) AS balances`;
const JOBS = 'FROM job j JOIN instrument i ON i.id = j.instrument_id';

/** Some jobs in the order of their ids, from the one after `after` on; from the first where that is null. */
export const headsAfter = (tx: EntityManager, after: string | null, most: number): Promise<JobHead[]> =>
  tx.query(`SELECT ${HEAD} ${JOBS} WHERE $1::uuid IS NULL OR j.id > $1 ORDER BY j.id LIMIT $2`, [after, most]);

/** Jobs of one instrument in the order in which they were taken in. */
export const headsOfInstrument = (tx: EntityManager, instrumentId: string): Promise<JobHead[]> =>
  tx.query(`SELECT ${HEAD} ${JOBS} WHERE j.instrument_id = $1 ORDER BY j.taken_in_at, j.id`, [instrumentId]);

/** @throws TypeError where there is no such job. */
export async function headOf(tx: EntityManager, id: string): Promise<JobHead> {
  const [head]: JobHead[] = await tx.query(`SELECT ${HEAD} ${JOBS} WHERE j.id = $1`, [id]);
  if (head === undefined) throw new TypeError(`there is no job ${id}`);
  return head;
}

/** A job with all that was taken down about it, each as it is stored. */
export interface JobWithLog extends JobHead {
  log: { seq: number; event: object }[];
}

/** Jobs with their logs, in one question: an append waits for it. */
export const jobsWithLogs = (tx: EntityManager, ids: readonly string[]): Promise<JobWithLog[]> =>
  tx.query(
    `SELECT ${HEAD}, COALESCE(
       (SELECT jsonb_agg(jsonb_build_object('seq', seq, 'event', event) ORDER BY seq) FROM bench_event WHERE job_id = j.id), '[]'
     ) AS log ${JOBS} WHERE j.id = ANY($1)`,
    [ids],
  );
