import type { Bench } from './bench.js';
import { Calendar } from './calendar.js';
import { compare } from './model.js';

type Chance = () => number;

/** Jobs put in one after the other, each whole and as early as it fits. */
export function inOrder(bench: Bench, order: readonly number[]): Calendar {
  const calendar = new Calendar(bench);
  for (const job of order) {
    const spots = calendar.bestFor(job);
    if (spots !== null) calendar.take(job, spots);
  }
  return calendar;
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

/** So large a share of the jobs is taken out at most, and at least so many. */
const MOST_OUT = 0.25;
const LEAST_OUT = 2;

/**
 * Takes a few jobs out and puts them in again, in another order, over and over; what is as good or better is gone on with, and now and then what is a little worse. After each try all is drawn together: put in
 * anew in the order of starts. `goesOn` says whether there is time for one more try. Returns the best.
 */
export function improve(
  bench: Bench,
  begun: Calendar,
  chance: Chance,
  goesOn: () => boolean,
  better: (best: Calendar) => void = () => undefined,
): Calendar {
  let now = begun;
  let best = begun;
  const count = bench.left.length;
  for (let nth = 0; goesOn(); nth++) {
    const size = Math.min(count, LEAST_OUT + Math.floor(chance() * Math.max(1, MOST_OUT * count)));
    const out = choose(bench, now, size, chance);
    const tried = now.copy();
    for (const job of out) tried.giveBack(job);
    for (const job of shuffled(bench, out, chance)) {
      const spots = tried.bestFor(job);
      if (spots !== null) tried.take(job, spots);
    }
    const drawn = nth % 4 === 0 ? inOrder(bench, byStart(bench, tried)) : tried;
    const candidate = compare(drawn.objective(), tried.objective()) <= 0 ? drawn : tried;
    const [has, had] = [candidate.objective(), now.objective()];
    if (compare(has, had) <= 0 || (has.late === had.late && chance() < Math.exp(-(has.tardiness - had.tardiness + 1) / 50) / 4))
      now = candidate;
    if (compare(has, best.objective()) < 0) {
      best = candidate;
      better(best);
    }
    if (nth % 200 === 199) now = best;
  }
  return best;
}

/** Jobs in the order in which they begin; those that are left out last. */
function byStart({ left }: Bench, { spots }: Calendar): number[] {
  const begins = (job: number) => spots[job]?.[0]?.start ?? Infinity;
  return left.map((_, job) => job).sort((a, b) => begins(a) - begins(b) || a - b);
}

/** Half the time jobs that are near one another in time, half the time any; those that are late or left out gladly. */
function choose({ left }: Bench, { spots }: Calendar, size: number, chance: Chance): number[] {
  const jobs = left.flatMap(({ never, free }, job) => (never === null && free.length > 0 ? [job] : []));
  const isLate = (job: number) => (spots[job]?.at(-1)?.end ?? Infinity) > (left[job]?.job.due ?? 0);
  const seed = pick(jobs.filter(isLate), chance) ?? pick(jobs, chance);
  if (seed === undefined) return [];
  const at = spots[seed]?.[0]?.start ?? left[seed]?.job.due ?? 0;
  const near = chance() < 0.5;
  const ranked = jobs
    .filter((job) => job !== seed)
    .map((job) => ({ job, far: near ? Math.abs((spots[job]?.[0]?.start ?? left[job]?.job.due ?? 0) - at) * (0.5 + chance()) : chance() }))
    .sort((a, b) => a.far - b.far || a.job - b.job);
  return [seed, ...ranked.slice(0, size - 1).map(({ job }) => job)];
}

/** By chance, or by a rule with chance in it. */
function shuffled({ left }: Bench, jobs: readonly number[], chance: Chance): number[] {
  const way = chance();
  const key = (job: number) => {
    const { due = 0, weight = 1 } = left[job]?.job ?? {};
    if (way < 0.4) return chance();
    if (way < 0.7) return due + 120 * chance();
    return (due / weight) * (0.7 + 0.6 * chance());
  };
  return jobs
    .map((job) => ({ job, key: key(job) }))
    .sort((a, b) => a.key - b.key || a.job - b.job)
    .map(({ job }) => job);
}

const pick = (jobs: readonly number[], chance: Chance): number | undefined => jobs[Math.floor(chance() * jobs.length)];
