import type { Bench } from './bench.js';
import { Calendar } from './calendar.js';
import { compare, type Objective } from './model.js';

type Chance = () => number;

/** Jobs put in one after the other, each whole and as early as it fits. */
export function inOrder(bench: Bench, order: readonly number[]): Calendar {
  const calendar = new Calendar(bench);
  putIn(calendar, order);
  return calendar;
}

/** Those that would be late give way to all others, and come last. */
export function putIn(calendar: Calendar, order: readonly number[]): void {
  const late: number[] = [];
  for (const job of order) {
    const lying = calendar.bestFor(job);
    if (lying !== null && lying.late === 0) calendar.take(job, lying);
    else late.push(job);
  }
  for (const job of late) {
    const lying = calendar.bestFor(job);
    if (lying !== null) calendar.take(job, lying);
  }
}

/** The order of the plan in force: what was in none comes last. */
export function byLay({ left }: Bench): number[] {
  const begins = left.map(({ free }) => free[0]?.lay?.start ?? Infinity);
  return left.map((_, job) => job).sort((a, b) => (begins[a] ?? 0) - (begins[b] ?? 0) || a - b);
}

/** Orders by simple rules: what is due first, what has least slack, what weighs most for its minutes, what is ready first. */
export function byRules({ left }: Bench): number[][] {
  const all = left.map((_, job) => job);
  const of = (job: number) => left[job]?.job ?? { due: 0, weight: 1, ready: 0 };
  const minutes = left.map(({ free }) => free.reduce((sum, piece) => sum + piece.minutes, 0));
  const chain = left.map(({ free, from }) => free.reduce((end, piece) => end + piece.after + piece.minutes, from));
  const by = (key: (job: number) => number) => [...all].sort((a, b) => key(a) - key(b) || a - b);
  return [
    by((job) => of(job).due),
    by((job) => of(job).due - (chain[job] ?? 0)),
    by((job) => -of(job).weight / Math.max(1, minutes[job] ?? 1)),
    by((job) => of(job).due / of(job).weight),
    by((job) => of(job).ready),
  ];
}

/** So many jobs are taken out at once. */
const LEAST_OUT = 2;
const MOST_OUT = 10;
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
  const whole = (promised: Calendar) => {
    const all = promised.copy();
    putIn(
      all,
      leftOutOf(all, jobs).sort((a, b) => (bench.left[a]?.job.due ?? 0) - (bench.left[b]?.job.due ?? 0)),
    );
    return all;
  };
  const promised = begun.copy();
  for (const job of jobs) if (promised.endOf(job) > (bench.left[job]?.job.due ?? 0)) promised.giveBack(job);
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

const leftOutOf = (calendar: Calendar, jobs: readonly number[]) => jobs.filter((job) => calendar.spotsOf(job) === null);

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
    const out = choose(bench, calendar, jobs, chance);
    const before = out.map((job) => calendar.lyingOf(job));
    for (const job of out) calendar.giveBack(job);
    put(calendar, shuffled(bench, out, chance));
    const tried = loss(calendar.objective());
    if (tried > has && chance() >= Math.exp((has - tried) / (heat.warm * (heat.cold / heat.warm) ** share))) {
      for (const job of out) calendar.giveBack(job);
      for (const [nth, job] of out.entries()) {
        const lay = before[nth];
        if (lay != null) calendar.take(job, lay);
      }
      continue;
    }
    has = tried;
    if (has >= least) continue;
    least = has;
    found(calendar);
  }
}

/** Only what can be in time is put in. */
function putInTime(calendar: Calendar, order: readonly number[]): void {
  for (const job of order) {
    const lying = calendar.bestFor(job);
    if (lying !== null && lying.late === 0) calendar.take(job, lying);
  }
}

/** One that is late or left out, or any, and with it others that lie or are due in the same time, or any. */
function choose({ left }: Bench, now: Calendar, jobs: readonly number[], chance: Chance): number[] {
  const size = Math.min(jobs.length, LEAST_OUT + Math.floor(chance() * (MOST_OUT - LEAST_OUT + 1)));
  const due = (job: number) => left[job]?.job.due ?? 0;
  const late = chance() < 0.6 ? jobs.filter((job) => now.endOf(job) > due(job)) : [];
  const seed = pick(late, chance) ?? pick(jobs, chance) ?? 0;
  const out = [seed];
  const at = now.spotsOf(seed)?.[0]?.start ?? due(seed);
  const wanted = late.length > 0 ? { from: left[seed]?.from ?? 0, until: due(seed) } : { from: at - NEAR, until: at + NEAR };
  const near = chance() < 0.7 ? jobs.filter((job) => job !== seed && isIn(now.spotsOf(job)?.[0]?.start ?? due(job), wanted)) : [];
  for (let tries = 0; out.length < size && tries < 3 * size; tries++) {
    const other = near.length > 0 && chance() < 0.85 ? near.splice(Math.floor(chance() * near.length), 1)[0] : pick(jobs, chance);
    if (other !== undefined && !out.includes(other)) out.push(other);
  }
  return out;
}

/** Minutes around a job within which others are in its way. */
const NEAR = 300;
const isIn = (at: number, { from, until }: { from: number; until: number }) => at >= from && at <= until;

/** By chance, or by a rule with chance in it. */
function shuffled({ left }: Bench, jobs: readonly number[], chance: Chance): number[] {
  const way = chance();
  const key = (job: number) => {
    const { due = 0, weight = 1 } = left[job]?.job ?? {};
    if (way < 0.6) return chance();
    if (way < 0.8) return due + 240 * chance();
    return (0.3 + 0.7 * chance()) / weight;
  };
  return jobs
    .map((job) => ({ job, key: key(job) }))
    .sort((a, b) => a.key - b.key || a.job - b.job)
    .map(({ job }) => job);
}

const pick = (jobs: readonly number[], chance: Chance): number | undefined => jobs[Math.floor(chance() * jobs.length)];
