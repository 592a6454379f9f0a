import { ROUNDS } from '../constants/index.js';
import { requirePositive } from '../outcome/index.js';
import { cents, type Cents } from '../units/index.js';
import { bandOf, type Band, type Weighted } from './band.js';

export interface Rounds {
  /** What each round of stretching cost, the first first; below zero where the string was sharp. */
  drops: readonly Cents[];
  /** A round that costs no more than this is good enough. */
  tolerance: Cents;
}

export type RoundsVerdict = 'early' | 'settling' | 'check' | 'slipping';

export interface RoundsJudged {
  verdict: RoundsVerdict;
  /** That the string slips at anchor, kink or clamp, and does not stretch. */
  slipProbability: number;
  /** Rounds to go until one costs no more than the tolerance, if it stretches and does not slip; infinite where it never will. */
  roundsLeft: Band;
  /** What the next round will cost as it will be read, ¢. */
  nextDrop: Band;
}

/** Fewer readings tell stretch from slip no better than a guess. */
const LEAST_READINGS = 3;
const CHECK_ABOVE = 0.5;
const SLIPPING_ABOVE = 0.9;
/** Tenth and ninetieth percentile of a normal distribution. */
const TENTH = 1.2816;

/** Grid points that are so much less likely than the likeliest are left out. */
const NEGLIGIBLE = 1e-10;

const between = (from: number, to: number, steps: number) =>
  Array.from({ length: steps }, (_, index) => from + ((to - from) * index) / (steps - 1));
const evenlyByRatio = (from: number, to: number, steps: number) => between(Math.log(from), Math.log(to), steps).map(Math.exp);

const SHARES_KEPT = between(0.1, 0.9, 21);
const REMAINDERS = [0, ...evenlyByRatio(0.1, 40, 17)];
const FIRST_DROPS = evenlyByRatio(2, 250, 36);
/** A string that loses less than the least of these every time is a poor one, but it does not slip. */
const LEVELS = evenlyByRatio(5, 150, 40);

/** A string that stretches: the n-th round, counted from zero, costs remainder + first · kept^n. */
interface Stretching {
  remainder: number;
  first: number;
  kept: number;
  weight: number;
}

/**
 * Whether a string settles or slips, and how long it will take. A string that stretches loses c + a qⁿ in round n; one that slips loses much the same every time. Both
 * are weighed on a grid against Student noise, so that one odd reading does not decide (Bayes' rule), with `ROUNDS.slipping` as the prior of slip.
 * @throws RangeError if the tolerance is not above zero or a drop is not finite.
 */
export function judgeRounds({ drops, tolerance }: Rounds): RoundsJudged {
  requirePositive({ tolerance });
  if (!drops.every(Number.isFinite)) throw new RangeError('every drop must be finite');
  const stretching = weighStretching(drops);
  const slipping = LEVELS.map((level) => ({ level, weight: likelihoodOfSlip(drops, level) / LEVELS.length }));
  const stretches = (1 - ROUNDS.slipping.value) * sum(stretching);
  const slips = ROUNDS.slipping.value * sum(slipping);
  const slipProbability = slips / (slips + stretches);
  const share = (1 - slipProbability) / sum(stretching);
  const next: Weighted[] = [
    ...stretching.map((model) => ({ value: lost(model, drops.length), weight: model.weight * share })),
    ...slipping.map(({ level, weight }) => ({ value: level, weight: (weight * slipProbability) / sum(slipping) })),
  ];
  return {
    verdict: verdictOf(drops.length, slipProbability),
    slipProbability,
    roundsLeft: bandOf(stretching.map((model) => ({ value: roundsTo(model, tolerance, drops.length), weight: model.weight }))),
    nextDrop: asRead(bandOf(next)),
  };
}

function verdictOf(readings: number, slipProbability: number): RoundsVerdict {
  if (readings < LEAST_READINGS) return 'early';
  if (slipProbability > SLIPPING_ABOVE) return 'slipping';
  return slipProbability > CHECK_ABOVE ? 'check' : 'settling';
}

function weighStretching(drops: readonly number[]): Stretching[] {
  const firsts = normalised(FIRST_DROPS, (first) => -((Math.log(first / ROUNDS.typicalFirstDrop.value) / 0.9) ** 2) / 2);
  // how finely the grid lies about a remainder is no evidence for it
  const remainders = normalised(REMAINDERS, (c, index) => Math.log(widthAt(REMAINDERS, index)) - c / ROUNDS.typicalRemainder.value);
  const models: Stretching[] = [];
  for (const kept of SHARES_KEPT) {
    for (const [remainder, priorOfRemainder] of remainders) {
      for (const [first, priorOfFirst] of firsts) {
        let weight = (priorOfRemainder * priorOfFirst) / SHARES_KEPT.length;
        let stretch = first;
        for (const drop of drops) {
          weight *= student(drop - remainder - stretch, ROUNDS.noise.value);
          stretch *= kept;
        }
        models.push({ remainder, first, kept, weight });
      }
    }
  }
  const likeliest = models.reduce((most, { weight }) => Math.max(most, weight), 0);
  return models.filter(({ weight }) => weight > NEGLIGIBLE * likeliest);
}

function normalised(values: readonly number[], logPrior: (value: number, index: number) => number): (readonly [number, number])[] {
  const masses = values.map((value, index) => Math.exp(logPrior(value, index)));
  const total = masses.reduce((all, mass) => all + mass, 0);
  return values.map((value, index) => [value, (masses[index] ?? 0) / total]);
}

const widthAt = (values: readonly number[], index: number) =>
  ((values[Math.min(index + 1, values.length - 1)] ?? 0) - (values[Math.max(index - 1, 0)] ?? 0)) / 2;

const likelihoodOfSlip = (drops: readonly number[], level: number) =>
  drops.reduce((all, drop) => all * student(drop - level, Math.hypot(ROUNDS.noise.value, ROUNDS.unevenness.value * level)), 1);

/** Student's density with four degrees of freedom: 3/8 (1 + z²/4)^(−5/2). */
function student(off: number, scale: number): number {
  const tail = 1 + (off / scale) ** 2 / 4;
  return 0.375 / (scale * tail * tail * Math.sqrt(tail));
}

const lost = ({ remainder, first, kept }: Stretching, round: number) => remainder + first * kept ** round;

/** Rounds after the last one read, until one costs no more than the tolerance: none where the last one did by the model. */
function roundsTo(model: Stretching, tolerance: number, read: number): number {
  const room = tolerance - model.remainder;
  if (room <= 0) return Number.POSITIVE_INFINITY;
  const round = Math.max(0, Math.ceil(Math.log(room / model.first) / Math.log(model.kept)));
  return Math.max(0, round - (read - 1));
}

/** A drop is read with noise, which widens what is expected. */
function asRead({ low, likely, high }: Band): Band {
  const noise = TENTH * ROUNDS.noise.value;
  return { low: likely - Math.hypot(likely - low, noise), likely, high: likely + Math.hypot(high - likely, noise) };
}

const sum = (weighted: readonly { weight: number }[]) => weighted.reduce((all, { weight }) => all + weight, 0);

/** What is good enough at the bench unless somebody asks for more: two cents is fine work. */
export const FINE_WORK = cents(2);
