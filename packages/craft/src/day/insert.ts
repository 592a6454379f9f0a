import { benchOf, placedAt } from './bench.js';
import { Calendar } from './calendar.js';
import type { Correction } from './honesty.js';
import { planDay, type PlanningTime } from './plan.js';
import { promises } from './promise.js';
import type { InForce, Job, Minute, Placed, Rack, Reason } from './model.js';

/** A job that is asked for: null where no time is wanted. */
export type Asked = Omit<Job, 'due'> & { due: Minute | null };

export interface Inserted {
  /** Where all lies with it. */
  operations: readonly Placed[];
  /** Why it has no place; null where it has. */
  reason: Reason | null;
  /** Its end by its settling and its own minutes alone, and with the work of all others as it lies; null where it does not fit. */
  notBefore: { settling: Minute | null; work: Minute | null };
  p50: number | null;
  p90: number | null;
  /** Where a time is wanted: the chance of it as all lies; and if others gave way, whom it would make late, whether it would be in time, and how likely. */
  wanted: { onTime: number; late: readonly string[]; inTime: boolean; first: number } | null;
}

/** `clock` begins to run when it is asked for, and says whether there is time left. */
export interface InsertingTime extends Pick<PlanningTime, 'seed' | 'iterations'> {
  clock: () => () => boolean;
  draws: number;
  inForce: readonly InForce[];
  correction?: Correction | undefined;
}

/** Later than any shop plans, minutes. */
const NEVER = 4_000_000;

/** When a new job can honestly be ready: all others stay as they are in the plan in force, or as they are planned where there is none. */
export function insertJob(rack: Rack, asked: Asked, { seed, iterations, clock, inForce, draws, correction }: InsertingTime): Inserted {
  // two plans are made: each has a time of its own
  const time = () => ({ seed, iterations, goesOn: clock() });
  const without = planDay(rack, time(), inForce);
  const job: Job = { ...asked, due: asked.due ?? NEVER };
  const whole: Rack = { ...rack, jobs: [...rack.jobs, job] };
  const nth = rack.jobs.length;
  // where others lie is as if it were pinned: only the new one looks for room; what is begun ends when it ends
  const isBegun = ({ job: of, operation }: Placed) => rack.started.some((each) => each.job === of && each.operation === operation);
  const bench = benchOf({ ...whole, pinned: without.operations.filter((placed) => !isBegun(placed)) });
  const alone = benchOf({ ...rack, jobs: [job], done: [], started: [], pinned: [] });
  const lies = new Calendar(bench).bestFor(nth);
  const settling = new Calendar(alone).bestFor(0)?.spots.at(-1)?.end ?? null;
  const own = (lies?.spots ?? []).map(({ free, ...place }) => placedAt(rack, job, free, place));
  const operations = [...without.operations, ...own].sort((a, b) => a.start - b.start || a.end - b.end);
  const never = bench.left[nth]?.never ?? null;
  const unplanned = [...without.unplanned, ...(lies === null ? [job.id] : [])];
  const told = promises(whole, { ...without, operations, unplanned }, { draws, seed, correction }).find(({ job: of }) => of === job.id);
  return {
    operations,
    reason: lies === null ? (never ?? 'no-room') : null,
    notBefore: { settling, work: own.at(-1)?.end ?? null },
    p50: told?.p50 ?? null,
    p90: told?.p90 ?? null,
    wanted: asked.due === null ? null : { onTime: told?.onTime ?? 0, ...givingWay(whole, without, { time: time(), draws, correction }) },
  };
}

/** Whom the new job makes late where it comes before all others. */
function givingWay(
  whole: Rack,
  { operations, unplanned }: { operations: readonly Placed[]; unplanned: readonly string[] },
  { time, draws, correction }: { time: PlanningTime } & Pick<InsertingTime, 'draws' | 'correction'>,
) {
  const heavy = whole.jobs.reduce((sum, { weight }) => sum + weight, 1);
  const jobs = whole.jobs.map((job, nth) => (nth === whole.jobs.length - 1 ? { ...job, weight: heavy } : job));
  const plan = planDay({ ...whole, jobs }, time);
  const lateIn = (placed: readonly Placed[], out: readonly string[]) =>
    new Set(jobs.filter(({ id, due }) => out.includes(id) || placed.some((each) => each.job === id && each.end > due)).map(({ id }) => id));
  const before = lateIn(operations, unplanned);
  const after = lateIn(plan.operations, plan.unplanned);
  const own = jobs.at(-1)?.id ?? '';
  const first = promises(whole, plan, { draws, seed: time.seed, correction }).find(({ job }) => job === own)?.onTime ?? 0;
  return { late: [...after].filter((id) => id !== own && !before.has(id)), inTime: !after.has(own), first };
}
