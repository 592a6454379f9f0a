import type { Bench } from './bench.js';
import { Calendar } from './calendar.js';
import type { Objective } from './model.js';

/**
 * Weights of jobs that no plan can keep: those that are late alone, and, for each time by which something is due, the lightest that have to give way because what is due until then has more minutes than those
 * who could do it have (a knapsack). A lower bound of `late`.
 */
export function leastLate(bench: Bench): number {
  const costs = costsAlone(bench);
  const open = bench.left.filter((_, job) => costs[job]?.late === 0);
  const given = open.map(({ job: { due } }) => {
    const until = open.filter(({ job }) => job.due <= due);
    const people = new Set(until.flatMap(({ can }) => can));
    const room = [...people].reduce((sum, person) => sum + minutesUntil(bench.gaps[person] ?? [], due), 0);
    const weighed = until.map(({ job, free }) => ({
      weight: job.weight,
      minutes: free.reduce((sum, piece) => sum + (piece.pin === null ? piece.minutes : 0), 0),
    }));
    return leastGivenUp(weighed, room);
  });
  return costs.reduce((sum, { late }) => sum + late, 0) + Math.max(0, ...given);
}

/** Weighted minutes of lateness that no plan has less than. */
export const leastTardiness = (bench: Bench): number => costsAlone(bench).reduce((sum, { tardiness }) => sum + tardiness, 0);

/** What each job costs as if nobody else were there; of one that fits nowhere, what leaving it out does. */
function costsAlone(bench: Bench): Objective[] {
  const empty = new Calendar(bench);
  return bench.left.map(({ leftOut }, job) => empty.bestFor(job) ?? leftOut);
}

const minutesUntil = (gaps: readonly (readonly [number, number])[], due: number): number =>
  gaps.reduce((sum, [from, until]) => sum + Math.max(0, Math.min(until, due) - from), 0);

/** The least weight to leave out so that the minutes of the rest fit into `room`. */
function leastGivenUp(jobs: readonly { weight: number; minutes: number }[], room: number): number {
  const over = Math.max(0, jobs.reduce((sum, { minutes }) => sum + minutes, 0) - room);
  // best[m]: the least weight whose minutes come to m at least
  const best = [0, ...Array.from({ length: over }, () => Infinity)];
  for (const { weight, minutes } of jobs)
    for (let m = over; m > 0; m--) best[m] = Math.min(best[m] ?? Infinity, (best[Math.max(0, m - minutes)] ?? Infinity) + weight);
  return best[over] ?? 0;
}
