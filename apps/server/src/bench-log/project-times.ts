import type { DataSource, EntityManager } from 'typeorm';
import type { TimedStage } from '@gold-peg/craft/day';
import type { Family } from '@gold-peg/craft/string-kinds';
import { stageTimes, type Worksheet } from '@gold-peg/craft/worksheet';
import { StageTimeRow } from '../store/index.js';
import type { JobHead } from './job-heads.js';

const MINUTE_MS = 60_000;

/** Writes what the stages of one job took, once it is handed over: before that nothing is known of the whole. */
export async function projectTimes(tx: EntityManager, job: JobHead, sheet: Worksheet): Promise<void> {
  await tx.delete(StageTimeRow, { jobId: job.id });
  const { handedOver } = sheet;
  if (handedOver === null) return;
  const { family, stringCount } = job;
  const rows = stageTimes(sheet)
    .filter(({ ms }) => ms > 0)
    .map(({ personId, stage, ms }) => ({
      jobId: job.id,
      personId,
      stage,
      family,
      stringCount,
      minutes: ms / MINUTE_MS,
      at: new Date(handedOver.at),
    }));
  await tx.insert(StageTimeRow, rows);
}

/** Most times that a pace is learned from: the newest, since hands get quicker. */
const MOST_TIMES = 240;

/** What stages took this person with any kind, and anybody with these kinds. Newest first. */
export function timesFor(store: DataSource, personId: string, families: readonly Family[]): Promise<TimedStage[]> {
  const newest = (which: string) => `(SELECT * FROM stage_time WHERE ${which} ORDER BY at DESC, stage, job_id LIMIT ${MOST_TIMES})`;
  // each kind by itself, since an index gives the newest of one, not of several
  const some = [newest('person_id = $1'), ...families.map((_, index) => newest(`family = $${index + 2}`))].join(' UNION ');
  return store.query(
    `SELECT person_id AS "personId", family, string_count AS "stringCount", stage, minutes FROM (${some}) newest ORDER BY at DESC, stage, job_id LIMIT ${MOST_TIMES}`,
    [personId, ...families],
  );
}
