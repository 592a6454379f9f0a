import type { Bench, Left } from './bench.js';
import type { Calendar } from './calendar.js';
import { compare, type Objective } from './model.js';
import { putIn, putInTime } from './orders.js';
import { shuffled, takenOut, type Chance } from './taken-out.js';

/** How free the search is at first, and at the end: what a try may lose. */
interface Heat {
  warm: number;
  cold: number;
}
/** While promises are kept: weights of jobs. */
const OF_PROMISES: Heat = { warm: 0.3, cold: 0.06 };
/** While all is drawn earlier: minutes of lateness. */
const OF_MINUTES: Heat = { warm: 1000, cold: 40 };
/** So large a share of the time is spent on promises alone. */
const SHARE_OF_PROMISES = 0.7;
/** Minutes of lateness that a unit of weight is worth while all is drawn earlier. */
const WORTH = 10_000;
/** What an operation that lies elsewhere is worth, in minutes of lateness. */
const OF_MOVED = 60;
/** A minute of flow, in minutes of lateness. */
const OF_FLOW = 0.02;

/**
 * Takes a few jobs out and puts them in again, in another order, over and over: first for the promises alone, with all that would be late left out, then for the minutes of the late ones and the ends of all. What is
 * better is gone on with, and what is worse the more rarely the worse it is and the longer it goes on. `spent` says which share of the time is over, 1 and more when all of it is. Returns the best.
 */
export function improve(
  bench: Bench,
  begun: Calendar,
  chance: Chance,
  spent: () => number,
  better: (best: Calendar) => void = () => undefined,
): Calendar {
  const jobs = bench.left.flatMap(({ never, free }, job) => (never === null && free.length > 0 ? [job] : []));
  if (jobs.length < 2) return begun;
  let best = begun;
  const note = (found: Calendar) => {
    if (compare(found.objective(), best.objective()) >= 0) return;
    best = found.copy();
    better(best);
  };
  const due = (job: number) => (bench.left[job] as Left).job.due;
  const whole = (promised: Calendar) => {
    const all = promised.copy();
    const rest = jobs.filter((job) => all.spotsOf(job) === null);
    putIn(all, rest.sort((a, b) => due(a) - due(b))); // prettier-ignore
    return all;
  };
  const promised = begun.copy();
  for (const job of jobs) if (promised.endOf(job) > due(job)) promised.giveBack(job);
  search({
    ...{ bench, calendar: promised, jobs, chance, heat: OF_PROMISES },
    spent: () => spent() / SHARE_OF_PROMISES,
    loss: ({ late }) => late,
    putIn: putInTime,
    found: (calendar) => note(whole(calendar)),
  });
  const calendar = best.copy();
  search({
    ...{ bench, calendar, jobs, chance, heat: OF_MINUTES, putIn },
    spent: () => (spent() - SHARE_OF_PROMISES) / (1 - SHARE_OF_PROMISES),
    loss: ({ late, tardiness, moved, flow }) => WORTH * late + tardiness + OF_MOVED * moved + OF_FLOW * flow,
    found: note,
  });
  return best;
}

interface Search {
  bench: Bench;
  /** Where it begins; it is changed. */
  calendar: Calendar;
  jobs: readonly number[];
  chance: Chance;
  heat: Heat;
  spent: () => number;
  loss: (objective: Objective) => number;
  putIn: (calendar: Calendar, order: readonly number[]) => void;
  /** Told of each that is the best so far. */
  found: (calendar: Calendar) => void;
}

function search({ bench, calendar, jobs, chance, heat, spent, loss, putIn: put, found }: Search): void {
  let has = loss(calendar.objective());
  let least = has;
  for (let share = spent(); share < 1; share = spent()) {
    const out = takenOut(bench, calendar, jobs, chance);
    const before = out.map((job) => ({ job, lying: calendar.lyingOf(job) }));
    for (const job of out) calendar.giveBack(job);
    put(calendar, shuffled(bench, out, chance));
    const tried = loss(calendar.objective());
    if (!goesOn(tried - has, heat, share, chance)) {
      for (const job of out) calendar.giveBack(job);
      for (const { job, lying } of before) if (lying !== null) calendar.take(job, lying);
      continue;
    }
    has = tried;
    if (has >= least) continue;
    least = has;
    found(calendar);
  }
}

/** Whether a try that loses so much is gone on with: as often as e to the power of −loss/T, T falling from warm to cold with the share of the time that is over (Metropolis' rule). */
export function goesOn(loss: number, { warm, cold }: Heat, share: number, chance: Chance): boolean {
  return loss <= 0 || chance() < Math.exp(-loss / (warm * (cold / warm) ** share));
}
