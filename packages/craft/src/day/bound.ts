import type { Bench } from './bench.js';
import { Calendar } from './calendar.js';

/**
 * Weights of jobs that no plan can keep: those that are late alone, and, for each time by which something is due, the lightest that have to give way because what is due until then has more minutes than those
 * who could do it have (a knapsack). A lower bound of `late`.
 */
export function leastLate(bench: Bench): number {
  const alone = new Calendar(bench);
  const isLost = bench.left.map((left, job) => {
    const lying = alone.bestFor(job);
    return lying === null ? left.free.length > 0 || left.never !== null : lying.late > 0;
  });
  const lost = bench.left.reduce((sum, { job }, nth) => sum + (isLost[nth] === true ? job.weight : 0), 0);
  const dues = [...new Set(bench.left.map(({ job }) => job.due))];
  const given = dues.map((due) => {
    const until = bench.left.flatMap(({ job, free, can }, nth) => {
      if (isLost[nth] === true || job.due > due) return [];
      return [{ weight: job.weight, minutes: free.reduce((sum, piece) => sum + (piece.pin === null ? piece.minutes : 0), 0), can }];
    });
    const people = new Set(until.flatMap(({ can }) => can));
    const room = [...people].reduce((sum, person) => sum + minutesUntil(bench.gaps[person] ?? [], due), 0);
    return leastGivenUp(until, room);
  });
  return lost + Math.max(0, ...given);
}

/** Weighted minutes of lateness that no plan has less than: those of each job as if nobody else were there; of one that fits nowhere, those of leaving it out. */
export function leastTardiness({ left, ...bench }: Bench): number {
  const alone = new Calendar({ left, ...bench });
  return left.reduce((sum, { leftOut }, job) => sum + (alone.bestFor(job) ?? leftOut).tardiness, 0);
}

const minutesUntil = (gaps: readonly (readonly [number, number])[], due: number): number =>
  gaps.reduce((sum, [from, until]) => sum + Math.max(0, Math.min(until, due) - from), 0);

/** The least weight to leave out so that the minutes of the rest fit into `room`. */
function leastGivenUp(jobs: readonly { weight: number; minutes: number }[], room: number): number {
  const all = jobs.reduce((sum, { minutes }) => sum + minutes, 0);
  const over = all - room;
  if (over <= 0) return 0;
  // best[m]: the least weight whose minutes come to m at least
  const best = new Float64Array(over + 1).fill(Infinity);
  best[0] = 0;
  for (const { weight, minutes } of jobs)
    for (let m = over; m > 0; m--) best[m] = Math.min(best[m] ?? Infinity, (best[Math.max(0, m - minutes)] ?? Infinity) + weight);
  return best[over] ?? 0;
}
