import { MINUTES } from '../constants/index.js';
import type { DriftForecast } from '../settle/index.js';
import { percentileOf, type Attended, type Percentile } from './percentile.js';
import type { Minute, Operation } from './model.js';

/** A job as the bench log has it. */
export interface JobAtHand {
  /** What is left of the bench work before its strings are left to themselves, in the pieces in which it is done; none where all of it is done. */
  work: readonly Attended[];
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
export const LONGEST_WAIT: Minute = 72 * 60;
/** Later ones are left to the tuning with which a hand-over begins: what is put off over a night must not put off all that follows. */
const VISITS_WITHIN: Minute = 2 * 60;

/** Names that operations of a job go by. */
export const BEGUN = 'begun';
export const RESTRING = 'restring';
export const HAND_OVER_ID = 'hand-over';
const visitId = (nth: number): string => `tune-${nth}`;
/** Pieces of the bench work: most have one. */
const workId = (nth: number): string => (nth === 0 ? RESTRING : `${RESTRING}-${nth + 1}`);
export const isVisit = (id: string): boolean => id.startsWith('tune-');
export const isWork = (id: string): boolean => id.startsWith(RESTRING);

/** How a house plans. */
export interface HouseWays {
  percentile: Percentile;
  /** Share of the bench that is kept free for the counter. */
  counterShare: number;
  /** Strings that hold are looked at once more so many hours after the work; null where nobody asks for it. */
  looksAgainHours: number | null;
}

/** Minutes that are planned for something: the percentile of what it takes, more by the share that is kept free for the counter. */
export const plannedMinutes = (takes: Attended, { percentile, counterShare }: HouseWays): Minute =>
  Math.max(1, Math.round(percentileOf(takes, percentile) / (1 - counterShare)));

/**
 * What is left to do for a job, one after the other, in minutes as they are planned. A job that was begun keeps an operation
 * `begun`, which is done; strings that move are tuned again when the forecast says so, each time counted from the end of what came before, and go home once they hold.
 */
export function operationsOf({ work, begun, moves, since }: JobAtHand, ways: HouseWays): Operation[] {
  const planned = (id: string, takes: Attended, { after, same }: { after: number; same: boolean }): Operation => ({
    id,
    minutes: plannedMinutes(takes, ways),
    minutesP50: takes.median,
    minutesP90: percentileOf(takes, 90),
    after: Math.max(0, Math.round(after)),
    same,
  });
  const operations: Operation[] = [];
  if (begun) operations.push({ id: BEGUN, minutes: 1, after: 0, same: true });
  operations.push(...work.map((piece, nth) => planned(workId(nth), piece, { after: 0, same: true })));
  let clock = since;
  let nth = 0;
  for (const { likely } of moves?.retunes ?? []) {
    const at = likely * 60;
    if (!(at <= VISITS_WITHIN)) break;
    const visit = planned(visitId(++nth), VISIT, { after: at - clock, same: false });
    operations.push(visit);
    clock = Math.max(clock, at) + visit.minutes;
  }
  if (moves === null && ways.looksAgainHours !== null) {
    const after = Math.max(0, ways.looksAgainHours * 60 - since);
    operations.push(planned(visitId(1), VISIT, { after, same: false }));
  }
  const holds = Math.min(LONGEST_WAIT, (moves?.holdsFrom.likely ?? 0) * 60);
  const handOver = moves === null ? HAND_OVER : { ...HAND_OVER, median: HAND_OVER.median + VISIT.median };
  operations.push(planned(HAND_OVER_ID, handOver, { after: moves === null ? 0 : holds - clock, same: false }));
  return operations;
}
