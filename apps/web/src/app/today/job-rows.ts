import type { Day, DayJob } from '@gold-peg/contract/day';
import { BEGUN, HAND_OVER_ID, isWork, toSay, type Plan, type Promised } from '@gold-peg/craft/day';
import { dayTime, DOUBTFUL_BELOW, duration, inHundred, momentOf, passportOf, toPromise } from '../day';
import type { Later } from './owner-panel';
import { STAGE_NAMES } from '../worksheet/stage-rule/stage-names';

/** One line of the rack: what it is, what is left to do, when it is ready, and the chance of what is promised. */
export interface JobRow {
  job: DayJob;
  passport: string;
  takes: string;
  /** For which parts it waits, or that its strings hang, and until when. */
  waits: string | null;
  promised: string | null;
  ready: string;
  /** Minutes after what is promised; 0 where it is in time or nothing is promised. */
  lateBy: number;
  chance: number | null;
  state: 'late' | 'doubtful' | 'kept' | 'open';
  stage: string;
  /** Nothing is left of it but to hand it over, and its strings hold. */
  isReady: boolean;
  /** The hour by which it is ready nine times in ten, for the half hour; null where nobody knows. */
  later: Later | null;
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
      waits: waitsFor(day, job),
      promised: job.promisedAt === null ? null : dayTime(day, job.due),
      ready: plan === null ? '…' : end === null ? 'not planned' : dayTime(day, end),
      lateBy,
      chance,
      state,
      stage: STAGE_NAMES[job.stage],
      isReady: waitsForOwner(day, job),
      later: told?.p90 == null ? null : laterThan(day, job, told.p90),
    };
  });
}

function waitsFor(day: Day, { hold, hangs, waitsFor: parts }: DayJob): string | null {
  if (hangs !== null) return `its strings hang until ${dayTime(day, hangs)}`;
  return hold === null ? null : `waits for ${parts.map(({ name }) => name).join(', ')}, there by ${dayTime(day, hold)}`;
}

function waitsForOwner({ done, now }: Day, { id, operations }: DayJob): boolean {
  const left = operations.filter((operation) => operation.id !== BEGUN);
  const since = done.find(({ job }) => job === id)?.end;
  return since !== undefined && left.length === 1 && left[0]?.id === HAND_OVER_ID && since + left[0].after <= now;
}

function laterThan(day: Day, job: DayJob, p90: number): Later | null {
  const minute = toPromise(day, p90);
  if (minute === null) return null;
  return {
    at: momentOf(day, minute),
    says: dayTime(day, minute),
    promised: dayTime(day, job.due),
    chance: 0.9,
    planned: toSay(day.correction, 0.9),
  };
}

/** What is said of promises that are in danger, and what would have to give. */
export function dangersOf(day: Day, rows: readonly JobRow[]): { row: JobRow; says: string; gives: string[] }[] {
  return rows
    .filter(({ state }) => state === 'late' || state === 'doubtful')
    .map((row) => {
      const { job, lateBy, chance } = row;
      const begins = Math.max(day.now, job.ready, job.hold ?? 0);
      const alone = job.operations.reduce((sum, { after, minutes }) => sum + after + minutes, 0);
      const says =
        row.state === 'late'
          ? `promised ${row.promised ?? ''}, ready ${row.ready}${Number.isFinite(lateBy) ? `, ${duration(lateBy)} late` : ''}`
          : `promised ${row.promised ?? ''}, ready ${row.ready} as planned: ${inHundred(chance ?? 0)} in 100`;
      const asked = row.later === null ? 'for one that nobody knows yet' : `for ${row.later.says}`;
      const gives =
        begins + alone > job.due
          ? [
              `the hour, ${asked}; no order of work keeps it${row.waits === null ? `: its own work and settling alone take ${duration(alone)}` : `: it ${row.waits}, and takes ${duration(alone)} from then`}`,
            ]
          : [`the hour, ${asked}`, 'another job: pin this one earlier on the rail, and see what moves'];
      return { row, says, gives };
    });
}
