import { chanceFrom } from '../simulated/index.js';
import { NINE_IN_TEN } from './percentile.js';
import { HONEST, meant, toSay, type Correction } from './honesty.js';
import type { Minute, Placed, Plan, Rack, Window } from './model.js';

/** When a job is ready, over many draws of what its work may take: null where that share of them does not end within the windows. */
export interface Promised {
  job: string;
  p50: number | null;
  p90: number | null;
  /** Share of draws in which it is ready by what is promised. */
  onTime: number;
}

/** Where nobody said more, nine in ten end within half as much again as half of them do. */
const USUAL_P90 = 1.5;

interface Step {
  job: number;
  person: number;
  /** Not before it, whatever it waits for. */
  from: Minute;
  /** Of the one before it in its job. */
  after: Minute;
  /** Logarithm of the median, and its spread. */
  median: number;
  sigma: number;
  running: boolean;
}

/**
 * Draws what everything takes, again and again, and pushes the plan along: in the order in which it was planned, each operation as soon as its person and its job let it, where the drawn minutes fit some hours with
 * what its person goes on past the end of it. Minutes are lognormal, once per operation and draw, independent of one another. `correction`: how chances are to be taken, by what was kept of them.
 */
export function promises(
  rack: Rack,
  plan: Plan,
  { draws, seed, correction = HONEST }: { draws: number; seed: number; correction?: Correction | undefined },
): Promised[] {
  const steps = stepsOf(rack, plan);
  const windows = rack.people.map(({ windows: own, overrun }) => own.map(([from, until]): Window => [from, until + overrun]));
  const begins = rack.jobs.map((job) => beginOf(rack, job));
  const left = rack.jobs.map(({ id }) => plan.unplanned.includes(id));
  const chance = chanceFrom(seed);
  const ends = rack.jobs.map(() => new Float64Array(draws));
  const ended = new Float64Array(rack.jobs.length);
  const free = new Float64Array(rack.people.length);
  for (let draw = 0; draw < draws; draw++) {
    for (const [job, begin] of begins.entries()) ended[job] = left[job] === true ? Infinity : begin(chance);
    free.fill(rack.now);
    for (const step of steps) {
      const takes = Math.exp(step.median + step.sigma * normal(chance));
      // what is pinned of a job that is left out keeps its person busy all the same
      const chain = left[step.job] === true ? 0 : (ended[step.job] ?? 0) + step.after;
      const since = Math.max(free[step.person] ?? 0, chain, step.from);
      const start = step.running ? rack.now : fitting(windows[step.person] ?? [], since, takes);
      const end = start + takes;
      if (left[step.job] !== true) ended[step.job] = end;
      if (Number.isFinite(end)) free[step.person] = end;
    }
    for (const [job, list] of ends.entries()) list[draw] = ended[job] ?? Infinity;
  }
  return rack.jobs.map(({ id, due }, job) => {
    const sorted = (ends[job] ?? new Float64Array()).sort();
    const within = sorted.filter((end) => end <= due).length;
    const by = (share: number) => ranked(sorted, toSay(correction, share));
    return { job: id, p50: by(0.5), p90: by(0.9), onTime: meant(correction, within / draws) };
  });
}

/** The least end that so large a share of all does not pass; null where it never ends. */
function ranked(sorted: Float64Array, share: number): number | null {
  const end = sorted[Math.max(1, Math.ceil(share * sorted.length)) - 1] ?? Infinity;
  return Number.isFinite(end) ? end : null;
}

const fitting = (windows: readonly Window[], since: Minute, takes: Minute): Minute => {
  for (const [from, until] of windows) {
    const start = Math.max(from, since);
    if (start + takes <= until) return start;
  }
  return Infinity;
};

/** End of what is done of a job, or when it can begin, where its part may come sooner or later than is planned. */
function beginOf({ done, now }: Rack, { id, operations, ready, hold, arrives }: Rack['jobs'][number]): (chance: () => number) => Minute {
  const over = done.filter((each) => each.job === id);
  const last = operations.findLast((operation) => over.some((each) => each.operation === operation.id));
  const end = over.find(({ operation }) => operation === last?.id)?.end;
  if (end !== undefined) return () => end;
  if (hold === null || arrives == null) return () => Math.max(ready, hold ?? 0);
  const median = Math.max(1, arrives.p50 - now);
  const sigma = Math.max(0, Math.log((arrives.p90 - now) / median) / NINE_IN_TEN);
  return (chance) => Math.max(ready, now + median * Math.exp(sigma * normal(chance)));
}

function stepsOf({ jobs, people, started, pinned, now }: Rack, { operations }: Plan): Step[] {
  const lies = (list: readonly { job: string; operation: string }[], { job, operation }: Placed) =>
    list.some((each) => each.job === job && each.operation === operation);
  const steps = operations.map((placed): Step & { start: Minute } => {
    const job = jobs.findIndex(({ id }) => id === placed.job);
    const own = jobs[job]?.operations ?? [];
    const at = own.findIndex(({ id }) => id === placed.operation);
    const { minutes = 1, minutesP50, minutesP90, after = 0 } = own[at] ?? {};
    const running = lies(started, placed);
    const typical = minutesP50 ?? minutes;
    const median = running ? placed.end - now : typical;
    const sigma = Math.max(0, Math.log((minutesP90 ?? USUAL_P90 * typical) / typical) / NINE_IN_TEN);
    const from = Math.max(now, lies(pinned, placed) ? placed.start : 0);
    const person = people.findIndex(({ id }) => id === placed.person);
    return { job, person, from, after: running ? 0 : after, median: Math.log(median), sigma, running, start: placed.start };
  });
  // what is under way comes first with its person
  return steps.sort((a, b) => Number(b.running) - Number(a.running) || a.start - b.start);
}

/** Normal by Box and Muller, one of each pair. */
const normal = (chance: () => number): number => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
