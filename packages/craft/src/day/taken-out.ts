import type { Bench, Left } from './bench.js';
import type { Calendar } from './calendar.js';
import type { Minute } from './model.js';

/** Between nought and one. */
export type Chance = () => number;

/** So many jobs are taken out at once. */
const LEAST_OUT = 2;
const MOST_OUT = 10;
/** Minutes around a job within which others are in its way. */
const NEAR = 300;

/** One that is late or left out, or any, and with it others that lie or are due in the same time, or any. */
export function takenOut({ left }: Bench, now: Calendar, jobs: readonly number[], chance: Chance): number[] {
  const size = Math.min(jobs.length, LEAST_OUT + Math.floor(chance() * (MOST_OUT - LEAST_OUT + 1)));
  const of = (job: number) => left[job] as Left;
  const isLate = (job: number) => now.endOf(job) > of(job).job.due;
  const begins = (job: number) => now.spotsOf(job)?.[0]?.start ?? of(job).job.due;
  const late = chance() < 0.6 ? jobs.filter(isLate) : [];
  const first = pick(late.length > 0 ? late : jobs, chance);
  const [from, until] = late.length > 0 ? [of(first).from, of(first).job.due] : [begins(first) - NEAR, begins(first) + NEAR];
  const isNear = (at: Minute) => at >= from && at <= until;
  const near = chance() < 0.7 ? jobs.filter((job) => job !== first && isNear(begins(job))) : [];
  const out = new Set([first]);
  for (let tries = 0; out.size < size && tries < 3 * size; tries++) {
    const some = near.length > 0 && chance() < 0.85 ? near : jobs;
    const other = pick(some, chance);
    if (some === near) near.splice(near.indexOf(other), 1);
    out.add(other);
  }
  return [...out];
}

/** By chance, or by a rule with chance in it: what is due first, or what weighs most. */
export function shuffled({ left }: Bench, jobs: readonly number[], chance: Chance): number[] {
  const way = chance();
  const keyOf = ({ due, weight }: Left['job']) => {
    if (way < 0.6) return chance();
    return way < 0.8 ? due + 240 * chance() : (0.3 + 0.7 * chance()) / weight;
  };
  return jobs
    .map((job) => ({ job, key: keyOf((left[job] as Left).job) }))
    .sort((a, b) => a.key - b.key)
    .map(({ job }) => job);
}

const pick = (jobs: readonly number[], chance: Chance): number => jobs[Math.floor(chance() * jobs.length)] as number;
