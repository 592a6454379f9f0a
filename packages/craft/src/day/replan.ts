import { benchOf, liesElsewhere } from './bench.js';
import { leastLate, leastTardiness } from './bound.js';
import { planDay, stayedPlan, type Planned, type PlanningTime } from './plan.js';
import type { InForce, Minute, Placed, Rack } from './model.js';
import { pieceOf } from './piece.js';

/**
 * Why an operation lies elsewhere than it lay: its person is not there then, what comes before it in its job ends later, what it would lie over is there now, it can be earlier than it was, or the whole is better so.
 */
export type Why = 'no-hours' | 'behind' | 'taken' | 'earlier' | 'better';

export interface Moved {
  job: string;
  operation: string;
  from: { person: string; start: Minute };
  to: { person: string; start: Minute };
  why: Why;
  /** What lies there now, where that is why. */
  by: { job: string; operation: string } | null;
}

export interface Replanned extends Planned {
  moved: readonly Moved[];
}

/** A plan anew, that moves as little of the one in force as the promises let it; and what moved, and why. */
export function replanDay(rack: Rack, inForce: readonly InForce[], time: PlanningTime): Replanned {
  const plan = planDay(rack, time, inForce);
  return { ...plan, moved: movedIn(rack, plan.operations, inForce) };
}

/** So many weighted minutes less of lateness, and such a share of it, are worth moving what people count on already. */
const WORTH = { minutes: 30, share: 0.1 };

/**
 * The same for people who work by the plan: where what is late is late anyway, a little less lateness moves nobody. A promise more that is kept is worth it, and so is much less lateness; else all stays where it lay, as
 * far as it still can; at once, where nobody has moved and no other plan can be worth it.
 */
export function replanQuietly(rack: Rack, inForce: readonly InForce[], time: PlanningTime): Replanned {
  if (inForce.length === 0) return replanDay(rack, inForce, time);
  const stays = stayedPlan(rack, inForce);
  time.better?.(stays); // what may not be taken is not shown
  const now = stays.objective;
  const isWorth = (gain: number) => gain > Math.max(WORTH.minutes, WORTH.share * now.tardiness);
  const bench = benchOf(rack, inForce);
  const bound = { late: leastLate(bench) };
  if (now.moved === 0 && now.late <= bound.late && !isWorth(now.tardiness - leastTardiness(bench)))
    return { ...stays, bound, proved: false, iterations: 0, moved: [] };
  const { better: _better, ...quiet } = time;
  const best = replanDay(rack, inForce, quiet);
  const then = best.objective;
  if (then.late < now.late || then.moved <= now.moved || isWorth(now.tardiness - then.tardiness)) return best;
  return { ...best, ...stays, proved: false, moved: movedIn(rack, stays.operations, inForce) };
}

const movedIn = (rack: Rack, placed: readonly Placed[], inForce: readonly InForce[]): Moved[] =>
  placed.flatMap((each) => {
    const lay = inForce.find(({ job, operation }) => job === each.job && operation === each.operation);
    return lay === undefined || !liesElsewhere(lay, each) ? [] : [movedFrom(rack, placed, lay, each)];
  });

function movedFrom(rack: Rack, placed: readonly Placed[], lay: InForce, now: Placed): Moved {
  const { job, operation } = now;
  const minutes = now.end - now.start;
  const person = rack.people.find(({ id }) => id === lay.person);
  const inHours = person?.windows.some(([from, until]) => Math.max(from, rack.now) <= lay.start && lay.start + minutes <= until) === true;
  const over = placed.find(
    (each) => each !== now && each.person === lay.person && each.start < lay.start + minutes && lay.start < each.end,
  );
  const why: Why =
    lay.start >= rack.now && !inHours
      ? 'no-hours'
      : isBehind(rack, placed, lay)
        ? 'behind'
        : over !== undefined
          ? 'taken'
          : now.start < lay.start
            ? 'earlier'
            : 'better';
  const by = why === 'taken' && over !== undefined ? { job: over.job, operation: over.operation } : null;
  return { job, operation, from: { person: lay.person, start: lay.start }, to: { person: now.person, start: now.start }, why, by };
}

/** Whether what comes before it in its job ends too late for where it lay, or now is later already. */
function isBehind({ jobs, now }: Rack, placed: readonly Placed[], lay: InForce): boolean {
  const piece = pieceOf(jobs, lay);
  if (lay.start < now || piece === null) return true;
  const { job, operation, before } = piece;
  const end =
    before === null
      ? Math.max(job.ready, job.hold ?? 0)
      : (placed.find((each) => each.job === job.id && each.operation === before.id)?.end ?? 0);
  return end + operation.after > lay.start;
}
