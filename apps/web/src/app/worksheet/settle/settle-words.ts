import { FINE_WORK, HOLDS, type TuningWays } from '@gold-peg/craft/methods';
import type { AnchorKind, PostStyle } from '@gold-peg/craft/instrument';
import type { Band, DriftForecast, RoundsJudged } from '@gold-peg/craft/settle';
import { houseTime } from '../../server/house-zone';

export interface SettlingWords {
  /** On one line, for the lane. */
  short: string;
  /** Whole, with what to do. */
  long: string;
  /** Something is wrong with the string. */
  wrong: boolean;
  /** Nothing is left to do. */
  settled: boolean;
}

const percent = (chance: number) => (chance > 0.995 ? 'over 99 %' : `${(100 * chance).toFixed(0)} %`);
/** Cents with their unit, a tenth where that says something. */
export const sayCents = (value: number) => `${value.toFixed(Math.abs(value) < 10 && !Number.isInteger(value) ? 1 : 0).replace('-', '−')} ¢`;

function between({ low, high }: Band, one: (value: number) => string): string {
  if (low === high) return '';
  return Number.isFinite(high) ? ` (${one(low)} to ${one(high)})` : ` (${one(low)} at least, perhaps never)`;
}

/** What the rounds of a string say. `drops` holds at least one. `soft`: it creeps, so that rounds tell slip alone and the clock the rest. `held`: where it may slip. */
export function saySettling(
  drops: readonly number[],
  { verdict, slipProbability, roundsLeft, nextDrop }: RoundsJudged,
  { soft = false, held = HELD, tolerance = FINE_WORK }: { soft?: boolean; held?: string; tolerance?: number } = {},
): SettlingWords {
  const last = drops.at(-1) ?? 0;
  const lost = last < 0 ? `${sayCents(-last)} sharp` : `lost ${sayCents(last)}`;
  const sharp = last < 0 ? ' It is sharp: stretch it down, never slacken to pitch.' : '';
  const next = ` The next round should cost ${sayCents(nextDrop.likely)}${between(nextDrop, sayCents)}.`;
  const said = (short: string, long: string, wrong = false, settled = false): SettlingWords => ({
    short: `${lost} · ${short}`,
    long: long + sharp,
    wrong,
    settled,
  });
  switch (verdict) {
    case 'early':
      return said('too early to say', `Round ${drops.length}. After the third the drops tell stretch from slip.${next}`);
    case 'slipping':
      return said(
        '✗ slipping',
        `✗ The drops do not shrink: it slips (${percent(slipProbability)}). Look at ${held}, seat it again and bring it up.`,
        true,
      );
    case 'check':
      return said(
        '? check the anchor',
        `? The drops hardly shrink: ${percent(slipProbability)} that it slips. Look at ${held} before the next round.${next}`,
        true,
      );
    case 'settling': {
      if (soft)
        return said(
          'no slip: now the clock',
          `It stretches and does not slip. By hand it is never done: leave it alone, and read it after a rest.`,
        );
      if (roundsLeft.likely === 0) return said('✓ settled', `✓ Settled: a round costs no more than ${sayCents(tolerance)}.`, false, true);
      if (!Number.isFinite(roundsLeft.likely))
        return said(
          `? never within ${sayCents(tolerance)}`,
          `? It goes on losing more than ${sayCents(tolerance)} a round. Look at ${held}; an old or overstretched string does the same.${next}`,
          true,
        );
      const more = roundsLeft.likely === 1 ? 'one more round' : `${roundsLeft.likely} more rounds`;
      return said(more, `It stretches: ${more}${between(roundsLeft, String)} until one costs no more than ${sayCents(tolerance)}.${next}`);
    }
  }
}

/** For card and passport: how many rounds it took, and what the last of them cost. */
export function sayRounds(drops: readonly number[]): string {
  const last = drops.at(-1);
  return last === undefined ? '–' : `${drops.length} ${drops.length === 1 ? 'round' : 'rounds'}, last ${sayCents(last)}`;
}

const HELD = 'anchor, kink and clamp';

const AT_POST: Readonly<Record<PostStyle, string>> = {
  through: 'the kink at its post',
  slotted: 'the turns over its end in the post',
  locking: 'the clamp of its post',
  roller: 'the crossing on its roller',
  friction: 'its peg first (the screw a little tighter)',
  planetary: 'the turns on its post',
  'side-peg': 'its peg first (chalk it, push it in)',
  clamp: 'the clamp at the head',
};
const AT_ANCHOR: Readonly<Record<AnchorKind, string>> = {
  pins: 'the ball under its pin',
  'tie-block': 'the tie: its last crossing lies behind the edge',
  'knot-in-slot': 'the knot in its slot',
  'wrap-and-tuck': 'its wraps at the bridge',
  'top-load': 'the ball in its seat',
  'through-body': 'the ball in its seat',
  'stop-tailpiece': 'the ball, threaded the right way round',
  'wrap-around': 'the ball in its seat',
  'resting-vibrato': 'the ball in the block',
  'floating-vibrato': 'the ball in the block',
  'double-locking': 'the clamp of its saddle',
  headless: 'the ball in its pocket',
  'hooked-tailpiece': 'the loop on its hook',
};
/** Soft strings give at the tie before they give at the post. */
const TIED: readonly AnchorKind[] = ['tie-block', 'knot-in-slot', 'wrap-and-tuck'];
const PEGS: readonly PostStyle[] = ['friction', 'side-peg'];

/** Where a string of this post and anchor may slip, the likeliest first. */
export function placesOfSlip(style: PostStyle | undefined, anchor: AnchorKind | undefined): string {
  if (style === undefined || anchor === undefined) return HELD;
  const [post, other] = [AT_POST[style], AT_ANCHOR[anchor]];
  return TIED.includes(anchor) && !PEGS.includes(style) ? `${other}, then ${post}` : `${post}, then ${other}`;
}

/** When a string that creeps is tuned again, and from when it holds. `since`: when it was brought to pitch, ms; hours count from there. */
export function sayDrift(
  { nextRetune, holdsFrom }: Pick<DriftForecast, 'nextRetune' | 'holdsFrom'>,
  since: number,
  now: number,
  hold: TuningWays['hold'] = HOLDS,
): string {
  const at = (hours: number) => sayMoment(since + hours * 3_600_000, now);
  const held = `within ${sayCents(hold.cents)} for ${hold.hours} h`;
  const next = !Number.isFinite(nextRetune.likely)
    ? `It will hardly move ${sayCents(hold.cents)} any more.`
    : since + nextRetune.likely * 3_600_000 <= now
      ? 'Tune it now.'
      : `Tune again about ${at(nextRetune.likely)}${between(nextRetune, at)}: by then it is ${sayCents(hold.cents)} off.`;
  const holds = Number.isFinite(holdsFrom.likely)
    ? since + holdsFrom.likely * 3_600_000 <= now
      ? `Tuned now, it holds ${held}.`
      : `It holds ${held} from about ${at(holdsFrom.likely)}${between(holdsFrom, at)}.`
    : `It will not hold ${held} within a year.`;
  return `${next} ${holds}`;
}

const DATE = houseTime({ dateStyle: 'short' });
const TIME = houseTime({ hour: '2-digit', minute: '2-digit' });
const DAY_AND_TIME = houseTime({ weekday: 'short', hour: '2-digit', minute: '2-digit' });

const DAY = houseTime({ day: 'numeric', month: 'short' });
/** A weekday alone says which of them it is for so long. */
const WEEKDAY_SAYS_MS = 6 * 24 * 3_600_000;

/** The time of day, with its weekday where it is not today; the day alone where it is farther off than weekdays tell. */
export function sayMoment(at: number, now: number): string {
  const there = new Date(at);
  if (Math.abs(at - now) > WEEKDAY_SAYS_MS) return DAY.format(there);
  return (DATE.format(there) === DATE.format(now) ? TIME : DAY_AND_TIME).format(there);
}
