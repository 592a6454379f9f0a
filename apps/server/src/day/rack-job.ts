import type { DayJob, HouseHours } from '@gold-peg/contract/day';
import type { Passport } from '@gold-peg/contract/register';
import { BEGUN, holdUntil, operationsOf, type Minute } from '@gold-peg/craft/day';
import type { Known } from './at-hand.js';
import type { Waits } from './parts.js';

type Told = Pick<DayJob, 'id' | 'reason' | 'state' | 'stage' | 'promisedAt' | 'ready' | 'due'>;

/** A job as the planner takes it. `waits`: for parts; null where they are there. `hangs`: until when its strings hang; null where they do not. */
export function rackJob(
  passport: Passport,
  known: Known,
  { hours, now, waits, hangs, ...told }: Told & { hours: HouseHours; now: Minute; waits: Waits | null; hangs: Minute | null },
): DayJob {
  const hold = waits === null ? hangs : holdUntil(waits, hours.percentile, now);
  const operations = operationsOf(known, hours).map(({ minutesP50, minutesP90, ...each }) => ({
    ...each,
    minutesP50: minutesP50 ?? each.minutes,
    minutesP90: minutesP90 ?? each.minutes,
  }));
  return {
    ...told,
    ...{ instrumentId: passport.id, passport: passport.passport, name: passport.name, ownerName: passport.ownerName },
    ...{ moves: known.moves !== null, kind: passport.family, weight: 1 },
    ...{ hold, hangs, arrives: waits === null ? null : { p50: waits.p50, p90: waits.p90 }, waitsFor: waits?.waitsFor ?? [] },
    operations,
  };
}

/** What was begun waits for its part as well: what is left of it begins no earlier after what is done. */
export function waitingOn({ hold, operations, ...job }: DayJob, doneAt: Minute): DayJob {
  const next = operations.findIndex(({ id }) => id !== BEGUN);
  const after = Math.max(0, (hold ?? 0) - doneAt);
  return {
    ...job,
    hold,
    operations: operations.map((each, nth) => (nth === next ? { ...each, after: Math.max(each.after, after) } : each)),
  };
}

/** What was begun by somebody who is away today goes on in other hands, if that is better. */
export const leftToOthers = ({ operations, ...job }: DayJob): DayJob => {
  const next = operations.findIndex(({ id }) => id !== BEGUN);
  return { ...job, operations: operations.map((each, nth) => (nth === next ? { ...each, same: false } : each)) };
};
