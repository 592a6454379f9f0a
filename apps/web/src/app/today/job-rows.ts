import type { Day, DayJob } from '@gold-peg/contract/day';
import { isWork, type Plan, type Promised } from '@gold-peg/craft/day';
import { dayTime, DOUBTFUL_BELOW, duration, passportOf } from '../day';
import { STAGE_NAMES } from '../worksheet/stage-rule/stage-names';

/** One line of the rack: what it is, what is left to do, when it is ready, and the chance of what is promised. */
export interface JobRow {
  job: DayJob;
  passport: string;
  takes: string;
  /** For which parts it waits, and until when. */
  waits: string | null;
  promised: string | null;
  ready: string;
  /** Minutes after what is promised; 0 where it is in time or nothing is promised. */
  lateBy: number;
  chance: number | null;
  state: 'late' | 'doubtful' | 'kept' | 'open';
  stage: string;
}

/** `plan`: null while nothing is planned yet; the rack is there all the same. */
export function jobRows(day: Day, plan: Plan | null, promises: readonly Promised[]): JobRow[] {
  return day.jobs.map((job) => {
    const own = plan?.operations.filter((each) => each.job === job.id) ?? [];
    const end = own.length === 0 || plan?.unplanned.includes(job.id) === true ? null : Math.max(...own.map((each) => each.end));
    const told = promises.find((each) => each.job === job.id) ?? null;
    const chance = job.promisedAt === null ? null : (told?.onTime ?? null);
    const work = job.operations.filter(({ id }) => isWork(id)).reduce((sum, { minutes }) => sum + minutes, 0);
    const settles = job.operations.reduce((sum, { after }) => sum + after, 0);
    const lateBy = job.promisedAt === null || plan === null ? 0 : Math.max(0, (end ?? Infinity) - job.due);
    const state = job.promisedAt === null ? 'open' : lateBy > 0 ? 'late' : chance !== null && chance < DOUBTFUL_BELOW ? 'doubtful' : 'kept';
    return {
      job,
      passport: passportOf(job),
      takes: `${work === 0 ? 'strung' : duration(work)}${job.moves && settles > 0 ? `, settles ${duration(settles)}` : ''}`,
      waits: job.hold === null ? null : `waits for ${job.waitsFor.map(({ name }) => name).join(', ')}, there by ${dayTime(day, job.hold)}`,
      promised: job.promisedAt === null ? null : dayTime(day, job.due),
      ready: plan === null ? '…' : end === null ? 'not planned' : dayTime(day, end),
      lateBy,
      chance,
      state,
      stage: STAGE_NAMES[job.stage],
    };
  });
}

/** What is said of promises that are in danger, and what would have to give. */
export function dangersOf(day: Day, rows: readonly JobRow[]): { row: JobRow; says: string; gives: string[] }[] {
  return rows
    .filter(({ state }) => state === 'late' || state === 'doubtful')
    .map((row) => {
      const { job, lateBy, chance } = row;
      const alone = job.operations.reduce((end, { after, minutes }) => end + after + minutes, Math.max(day.now, job.ready));
      const says =
        row.state === 'late'
          ? `promised ${row.promised ?? ''}, ready ${row.ready}${Number.isFinite(lateBy) ? `, ${duration(lateBy)} late` : ''}`
          : `promised ${row.promised ?? ''}, ready ${row.ready} as planned: ${Math.floor(100 * (chance ?? 0))} in 100`;
      const gives =
        alone > job.due
          ? [
              `the hour: ask ${job.ownerName ?? 'its owner'} for ${row.ready}; no order of work keeps it, its own work and settling alone take until ${dayTime(day, alone)}`,
            ]
          : [
              `the hour: ask ${job.ownerName ?? 'its owner'} for ${row.ready}`,
              'another job: pin this one earlier on the rail, and see what moves',
            ];
      return { row, says, gives };
    });
}
