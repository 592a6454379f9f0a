import { bandOf, type Band, type Weighted } from '../band/index.js';
import { FLOATING } from '../constants/index.js';
import { metres, newtons, radians, type Cents, type Hertz, type Metres, type Radians } from '../units/index.js';
import { pullFor, speaking, type FloatingBridge, type Springs } from './bridge.js';
import { levelClaw, levelClawUnder } from './claw.js';
import { restsFrom, settle, tunedTo } from './equilibrium.js';

/** A string brought to `sounds`, or the claw drawn in by so much (negative: let out). */
export type TrialStep = { string: number; sounds: Hertz } | { claw: Metres };

/** What strings that were tuned elsewhere, or the claw, did to the others: what an instrument says of its own springs. */
export interface BridgeTrial {
  /** How all sounded before, Hz; null for a string that was off. */
  before: readonly (Hertz | null)[];
  /** What was done then, one after another. */
  change: readonly TrialStep[];
  /** How others sounded after it; null where nobody listened. */
  after: readonly (Hertz | null)[];
  /** How far it tipped by it, as measured; left out where nobody did. */
  tipped?: Radians;
  /** How far the claw had been drawn in before, since it was known where it stands; left out where it was not. */
  moved?: Metres;
}

/** Where the claw stands: at a place that was measured, or where the bridge was level under other strings; null where it was level as it was heard before each trial. */
export type ClawKnown = { at: Metres } | { levelUnder: FloatingBridge } | null;

/** One spring of a bridge, as far as it is known: four times in five within the bands. */
export interface SpringsLearned {
  /** N/m. */
  rate: Band;
  /** N. */
  initial: Band;
  /** Pairs that make up what is known, each with its weight; they add up to one. */
  samples: readonly SpringSample[];
  /** Trials it rests on. */
  count: number;
  /** Trials that fit no springs: somebody turned a string meanwhile, or one slipped. */
  strange: number;
}

export interface SpringSample {
  rate: number;
  initial: number;
  weight: number;
}

/** Errors of a reading: of pitch in cents, of tilt in radians. */
export interface ReadingErrors {
  pitch: Cents;
  tilt: Radians;
}

/** What springs are as they are sold: N/m and N. */
export const USUAL_SPRINGS: Pick<SpringsLearned, 'rate' | 'initial'> = {
  rate: {
    low: 1000 * FLOATING.springRate.low,
    likely: 1000 * FLOATING.springRate.value,
    high: 1000 * FLOATING.springRate.high,
  },
  initial: { low: FLOATING.springInitial.low, likely: FLOATING.springInitial.value, high: FLOATING.springInitial.high },
};

/** Spreads from the middle of a normal to where a tenth lies beyond. */
export const FOUR_IN_FIVE = 1.2816;

/** Knots over each prior, out to so many of its spreads. */
const KNOTS = { rate: 45, initial: 15, coarse: 3, spreads: 3.5 };
/** A pair that is less likely than this part of the likeliest is left out when the net is drawn tighter. */
const OUT = 1e-7;

/**
 * What trials say of rate and first pull of the springs, over lognormal priors about what springs usually are: the posterior on a net of rate and first pull, drawn
 * once over the prior and once over what is left of it. `before`: what was known of them already, in place of that prior. Readings err normally and independently, each of a difference twice. `claw`: what is known of its
 * place, which may follow from the springs themselves. Null where no springs as they are sold could hold these strings.
 */
export function calibrateSprings(
  bridge: FloatingBridge,
  claw: ClawKnown,
  trials: readonly BridgeTrial[],
  { pitch, tilt }: ReadingErrors,
  before: Pick<SpringsLearned, 'rate' | 'initial'> = USUAL_SPRINGS,
): SpringsLearned | null {
  const prior = { rate: lognormal(before.rate), initial: lognormal(before.initial) };
  const misfit = (rate: number, initial: number): number => {
    const of = { ...bridge, springs: { ...bridge.springs, rate, initial: newtons(initial) } };
    const toPrior = ((Math.log(rate) - prior.rate.middle) / prior.rate.spread) ** 2;
    const toInitial = ((Math.log(initial) - prior.initial.middle) / prior.initial.spread) ** 2;
    return toPrior + toInitial + trials.reduce((sum, trial) => sum + misfitOf(of, claw, trial, { pitch, tilt }), 0);
  };
  const knots = ({ middle, spread }: { middle: number; spread: number }, count: number) =>
    across(middle - KNOTS.spreads * spread, middle + KNOTS.spreads * spread, count);
  const initials = knots(prior.initial, KNOTS.initial);
  // where rates are likely at all shows with few first pulls
  const wide = weigh(knots(prior.rate, KNOTS.rate), trials.length === 0 ? initials : knots(prior.initial, KNOTS.coarse), misfit);
  if (wide === null) return null;
  const kept = wide.filter(({ weight }) => weight > OUT).map(({ rate }) => Math.log(rate));
  const step = (2 * KNOTS.spreads * prior.rate.spread) / (KNOTS.rate - 1);
  const tight = across(Math.min(...kept) - step, Math.max(...kept) + step, KNOTS.rate);
  const samples = trials.length === 0 ? wide : (weigh(tight, initials, misfit) ?? wide);
  const of = (what: (sample: SpringSample) => number): Weighted[] =>
    samples.map((sample) => ({ value: what(sample), weight: sample.weight }));
  return {
    rate: bandOf(of(({ rate }) => rate)),
    initial: bandOf(of(({ initial }) => initial)),
    samples,
    count: trials.length,
    strange: 0,
  };
}

/** Readings that are off by more than this, as a root mean square, are of something else than springs, cents. */
const STRANGE = 15;

/**
 * The same, without trials that no springs explain: each is foretold by what all of them together say, and those that are far off are left out until the rest agree.
 */
export function learnSprings(
  bridge: FloatingBridge,
  claw: ClawKnown,
  trials: readonly BridgeTrial[],
  errors: ReadingErrors,
  before: Pick<SpringsLearned, 'rate' | 'initial'> = USUAL_SPRINGS,
): SpringsLearned | null {
  for (let kept = trials; ;) {
    const learned = calibrateSprings(bridge, claw, kept, errors, before);
    if (learned === null) return null;
    const springs = { ...bridge.springs, rate: learned.rate.likely, initial: newtons(learned.initial.likely) };
    const off = kept.map((trial) => offOf({ ...bridge, springs }, claw, trial));
    const farthest = off.reduce((far, each, index) => (each > (off[far] ?? 0) ? index : far), 0);
    if ((off[farthest] ?? 0) <= STRANGE) return { ...learned, strange: trials.length - kept.length };
    kept = kept.filter((_, index) => index !== farthest); // one fewer each time, whatever was read
  }
}

/** How far readings of a trial lie from what these springs foretell, root mean square, cents. */
function offOf(bridge: FloatingBridge, claw: ClawKnown, trial: BridgeTrial): number {
  const told = foretell(bridge, claw, trial);
  if (told === null) return Infinity;
  const squares = trial.after.flatMap((heard, index) => {
    const foretold = told.frequencies[index] ?? null;
    return heard === null || foretold === null ? [] : [(1200 * Math.log2(heard / foretold)) ** 2];
  });
  return Math.sqrt(squares.reduce((sum, each) => sum + each, 0) / Math.max(1, squares.length));
}

/** The lognormal of which four in five lie between low and high; as wide to either side of its likely value. */
const lognormal = ({ low, likely, high }: Band) => ({ middle: Math.log(likely), spread: Math.log(high / low) / (2 * FOUR_IN_FIVE) });

const across = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count }, (_, index) => Math.exp(from + ((to - from) * index) / (count - 1)));

function weigh(
  rates: readonly number[],
  initials: readonly number[],
  misfit: (rate: number, initial: number) => number,
): SpringSample[] | null {
  const net = rates.flatMap((rate) => initials.map((initial) => ({ rate, initial, misfit: misfit(rate, initial) })));
  const least = Math.min(...net.map((each) => each.misfit));
  if (least === Infinity) return null;
  const weights = net.map((each) => Math.exp((least - each.misfit) / 2));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return net.map(({ rate, initial }, index) => ({ rate, initial, weight: (weights[index] ?? 0) / total }));
}

/** Squared errors of what these springs foretell, in units of the reading's; infinite where such springs could not hold the bridge. What was set last sounds as it was set, and adds as much by any springs. */
function misfitOf(bridge: FloatingBridge, claw: ClawKnown, trial: BridgeTrial, errors: ReadingErrors): number {
  const told = foretell(bridge, claw, trial);
  if (told === null) return Infinity;
  const read = trial.after.reduce<number>((sum, heard, index) => {
    const [before, foretold] = [trial.before[index] ?? null, told.frequencies[index] ?? null];
    if (heard === null || before === null || foretold === null) return sum;
    return sum + (1200 * Math.log2(heard / foretold)) ** 2 / (2 * errors.pitch ** 2);
  }, 0);
  return trial.tipped === undefined ? read : read + (trial.tipped - told.tipped) ** 2 / errors.tilt ** 2;
}

/** How the others sound after it, and how far it tips, with springs as `bridge` has them; null where they cannot hold it level. */
export function foretell(
  bridge: FloatingBridge,
  claw: ClawKnown,
  { before, change, moved = metres(0) }: Pick<BridgeTrial, 'before' | 'change' | 'moved'>,
): { frequencies: readonly (Hertz | null)[]; tipped: Radians } | null {
  const known = claw === null ? levelAsHeard(bridge, before) : 'at' in claw ? claw.at : levelWith(claw.levelUnder, bridge.springs);
  if (known === null) return null;
  const stood = claw === null ? known : metres(known + moved);
  const was = { ...restsFrom(bridge, stood, before), claw: stood };
  const is = change.reduce<typeof was>((so, step) => {
    if ('string' in step) return { ...tunedTo(bridge, so.claw, so.rests, step, so.angle), claw: so.claw };
    const claw = metres(so.claw + step.claw);
    return { ...so, claw, angle: settle(bridge, claw, so.rests, so.angle).angle };
  }, was);
  const { frequencies, angle } = settle(bridge, is.claw, is.rests, is.angle);
  return { frequencies, tipped: radians(angle - was.angle) };
}

/** Where a claw with springs like these levels that other bridge; null where they cannot hold it. */
function levelWith(other: FloatingBridge, springs: Springs): Metres | null {
  const level = levelClaw({ ...other, springs });
  return level.ok ? level.value : null;
}

/** Where the claw stands if the bridge is level while the strings sound so; null where these springs cannot hold it. */
function levelAsHeard(bridge: FloatingBridge, heard: readonly (Hertz | null)[]): Metres | null {
  const pulls = bridge.strings.map((string, index) => {
    const frequency = heard[index] ?? null;
    return frequency === null ? 0 : pullFor(string, speaking(string, 0 as Radians).length, frequency);
  });
  const level = levelClawUnder(bridge, pulls);
  return level.ok ? level.value : null;
}
