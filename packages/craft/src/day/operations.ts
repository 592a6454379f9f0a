import { MINUTES } from '../constants/index.js';
import type { DriftForecast } from '../settle/index.js';
import { percentileOf, type Attended, type Percentile } from './attended.js';
import type { Minute, Operation } from './model.js';

/** A job as the bench log has it. */
export interface JobAtHand {
  /** What is left of the bench work before its strings are left to themselves; null where all of it is done. */
  work: Attended | null;
  /** Whether anything of it was done. */
  begun: boolean;
  /** How its strings move on, by the clock that began when they first bore pull; null where they hold once they are settled by hand. */
  moves: Pick<DriftForecast, 'retunes' | 'holdsFrom'> | null;
  /** Minutes on that clock when the bench work ended, as planned or as it was; those that were waited already count. */
  since: Minute;
}

/** One look at strings that move. */
const VISIT: Attended = { median: MINUTES.visit.value, sigma: 0.3 };
const HAND_OVER: Attended = { median: MINUTES.handOver.value, sigma: 0.35 };
/** Strings that need longer than that are handed over with advice: nobody keeps an instrument for them. */
const LONGEST_WAIT: Minute = 72 * 60;
/** Later ones are left to the tuning with which a hand-over begins: what is put off over a night must not put off all that follows. */
const VISITS_WITHIN: Minute = 2 * 60;

/** Names that operations of a job go by. */
export const BEGUN = 'begun';
export const RESTRING = 'restring';
export const HAND_OVER_ID = 'hand-over';
export const visitId = (nth: number): string => `tune-${nth}`;

/**
 * What is left to do for a job, one after the other, in minutes as they are planned: the percentile of what they take, more by the share that is kept free for the counter. A job that was begun keeps an operation
 * `begun`, which is done; strings that move are tuned again when the forecast says so, each time counted from the end of what came before, and go home once they hold.
 */
export function operationsOf(
  { work, begun, moves, since }: JobAtHand,
  { percentile, counterShare }: { percentile: Percentile; counterShare: number },
): Operation[] {
  const planned = (id: string, takes: Attended, { after, same }: { after: number; same: boolean }): Operation => ({
    id,
    minutes: Math.max(1, Math.round(percentileOf(takes, percentile) / (1 - counterShare))),
    minutesP50: takes.median,
    minutesP90: percentileOf(takes, 90),
    after: Math.max(0, Math.round(after)),
    same,
  });
  const operations: Operation[] = [];
  if (begun) operations.push({ id: BEGUN, minutes: 1, after: 0, same: true });
  if (work !== null) operations.push(planned(RESTRING, work, { after: 0, same: true }));
  let clock = since;
  let nth = 0;
  for (const { likely } of moves?.retunes ?? []) {
    const at = likely * 60;
    if (!(at <= VISITS_WITHIN)) break;
    const visit = planned(visitId(++nth), VISIT, { after: at - clock, same: false });
    operations.push(visit);
    clock = Math.max(clock, at) + visit.minutes;
  }
  const holds = Math.min(LONGEST_WAIT, (moves?.holdsFrom.likely ?? 0) * 60);
  const handOver = moves === null ? HAND_OVER : { ...HAND_OVER, median: HAND_OVER.median + VISIT.median };
  operations.push(planned(HAND_OVER_ID, handOver, { after: moves === null ? 0 : holds - clock, same: false }));
  return operations;
}
