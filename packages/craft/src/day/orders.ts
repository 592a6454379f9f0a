import type { Bench, Left } from './bench.js';
import type { Calendar, Lying } from './calendar.js';

/** Jobs of a bench, the least first by what `key` makes of each; alike as they stand. */
const by = ({ left }: Bench, key: (left: Left) => number): number[] => {
  const keys = left.map(key);
  return [...left.keys()].sort((a, b) => (keys[a] as number) - (keys[b] as number));
};

/** The order of the plan in force: what was in none comes last. */
export const byLay = (bench: Bench): number[] => by(bench, ({ free }) => free[0]?.lay?.start ?? Infinity);

/** Orders by simple rules: what is due first, what has least slack, what weighs most for its minutes, what is ready first. */
export const byRules = (bench: Bench): number[][] => [
  by(bench, ({ job }) => job.due),
  by(bench, ({ job, free, from }) => job.due - free.reduce((end, { after, minutes }) => end + after + minutes, from)),
  by(bench, ({ job, free }) => -job.weight / free.reduce((sum, { minutes }) => sum + minutes, 0)),
  by(bench, ({ job }) => job.due / job.weight),
  by(bench, ({ job }) => job.ready),
];

/** Jobs put in one after the other, each whole and as early as it fits; those that would be late give way to all others, and come last. */
export function putIn(calendar: Calendar, order: readonly number[]): void {
  for (const job of putInTime(calendar, order)) takeWhere(calendar, job, () => true);
}

/** Only what can be in time is put in; returns the rest. */
export function putInTime(calendar: Calendar, order: readonly number[]): number[] {
  return order.filter((job) => !takeWhere(calendar, job, ({ late }) => late === 0));
}

function takeWhere(calendar: Calendar, job: number, isGood: (lying: Lying) => boolean): boolean {
  const lying = calendar.bestFor(job);
  if (lying === null || !isGood(lying)) return false;
  calendar.take(job, lying);
  return true;
}
