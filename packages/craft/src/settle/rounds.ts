import { ROUNDS } from '../constants/index.js';
import { requirePositive } from '../outcome/index.js';
import type { Cents } from '../units/index.js';
import { bandOf, type Band, type Weighted } from '../band/index.js';

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
/** A round under so many times the limit was a small one. */
const SMALL_ALREADY = 3;
/** Tenth and ninetieth percentile of a normal distribution. */
const TENTH = 1.2816;

/** Grid points that are less likely than the likeliest by e to this are left out. */
const NEGLIGIBLE = 18;
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
}

/** One of the two stories: how well it explains what was read, and its models with weights that add up to one. */
interface Story<M> {
  logEvidence: number;
  models: readonly { model: M; weight: number }[];
}

/**
 * Whether a string settles or slips, and how long it will take. A string that stretches loses c + a qⁿ in round n; one that slips loses much the same every time. Both
 * are weighed on a grid against Student noise that grows with the drop, so that neither one odd reading nor an uneven hand decides (Bayes' rule), with
 * `ROUNDS.slipping` as the prior of slip.
 * @throws RangeError if the tolerance is not above zero or a drop is not finite.
 */
export function judgeRounds({ drops, tolerance }: Rounds): RoundsJudged {
  requirePositive({ tolerance });
  if (!drops.every(Number.isFinite)) throw new RangeError('every drop must be finite');
  const stretching = storyOf(weighStretching(drops));
  const slipping = storyOf(
    LEVELS.map((level) => ({ model: level, logWeight: logLikelihoodOfSlip(drops, level) - Math.log(LEVELS.length) })),
  );
  const odds = (ROUNDS.slipping.value / (1 - ROUNDS.slipping.value)) * Math.exp(slipping.logEvidence - stretching.logEvidence);
  const slipProbability = 1 / (1 + 1 / odds);
  const next: Weighted[] = [
    ...stretching.models.map(({ model, weight }) => ({ value: lost(model, drops.length), weight: weight * (1 - slipProbability) })),
    ...slipping.models.map(({ model, weight }) => ({ value: model, weight: weight * slipProbability })),
  ];
  const left = bandOf(stretching.models.map(({ model, weight }) => ({ value: roundsTo(model, tolerance, drops.length), weight })));
  const most = roundsAfter(drops, tolerance);
  return {
    verdict: verdictOf(drops.length, slipProbability, most),
    slipProbability,
    roundsLeft: { low: Math.min(left.low, most), likely: Math.min(left.likely, most), high: Math.min(left.high, most) },
    nextDrop: asRead(bandOf(next)),
  };
}

/**
 * At most so many rounds to go, whatever the odds: a last round that cost next to nothing is confirmed by one more, and by none where the round before was small
 * already. Infinite after any other.
 */
function roundsAfter(drops: readonly number[], tolerance: number): number {
  const last = drops.at(-1);
  const before = Math.abs(drops.at(-2) ?? Number.POSITIVE_INFINITY);
  if (last === undefined || Math.abs(last) > tolerance + ROUNDS.toConfirm.value) return Number.POSITIVE_INFINITY;
  return Math.abs(last) <= tolerance && before < SMALL_ALREADY * tolerance ? 0 : 1;
}

/** @param most what `roundsAfter` says. */
function verdictOf(readings: number, slipProbability: number, most: number): RoundsVerdict {
  if (readings < LEAST_READINGS) return 'early';
  if (Number.isFinite(most)) return 'settling';
  if (slipProbability > SLIPPING_ABOVE) return 'slipping';
  return slipProbability > CHECK_ABOVE ? 'check' : 'settling';
}

/** Weights as logarithms: neither many rounds nor one that is far off comes to nothing. */
function storyOf<M>(weighed: readonly { model: M; logWeight: number }[]): Story<M> {
  const most = weighed.reduce((largest, { logWeight }) => Math.max(largest, logWeight), Number.NEGATIVE_INFINITY);
  const models = weighed
    .filter(({ logWeight }) => logWeight > most - NEGLIGIBLE)
    .map(({ model, logWeight }) => ({ model, weight: Math.exp(logWeight - most) }));
  const total = models.reduce((sum, { weight }) => sum + weight, 0);
  return { logEvidence: most + Math.log(total), models: models.map(({ model, weight }) => ({ model, weight: weight / total })) };
}

function weighStretching(drops: readonly number[]): { model: Stretching; logWeight: number }[] {
  const firsts = normalised(FIRST_DROPS, (first) => -((Math.log(first / ROUNDS.typicalFirstDrop.value) / 0.9) ** 2) / 2);
  // how finely the grid lies about a remainder is no evidence for it
  const remainders = normalised(REMAINDERS, (c, index) => Math.log(widthAt(REMAINDERS, index)) - c / ROUNDS.typicalRemainder.value);
  const shares = normalised(
    SHARES_KEPT,
    (kept) => ROUNDS.keptRisesBy.value * Math.log(kept) + ROUNDS.keptFallsBy.value * Math.log(1 - kept),
  );
  return shares.flatMap(([kept, priorOfKept]) =>
    firsts.flatMap(([first, priorOfFirst]) => {
      const stretched = drops.map((_, round) => first * kept ** round);
      const scales = stretched.map(scatterOf);
      const widths = scales.reduce((sum, scale) => sum + Math.log(scale), 0);
      return remainders.map(([remainder, priorOfRemainder]) => {
        const tails = logTails(drops, (round) => remainder + (stretched[round] ?? 0), scales);
        return { model: { remainder, first, kept }, logWeight: priorOfKept + priorOfFirst + priorOfRemainder - widths - tails };
      });
    }),
  );
}

/** How far a drop of so much is read off: the reading, and a hand that does not pull twice the same. */
const scatterOf = (drop: number): number => Math.hypot(ROUNDS.noise.value, ROUNDS.hand.value * drop);

/** Each value with the logarithm of its share. */
function normalised(values: readonly number[], logPrior: (value: number, index: number) => number): (readonly [number, number])[] {
  const masses = values.map((value, index) => Math.exp(logPrior(value, index)));
  const logTotal = Math.log(masses.reduce((all, mass) => all + mass, 0));
  return values.map((value, index) => [value, logPrior(value, index) - logTotal]);
}

const widthAt = (values: readonly number[], index: number) =>
  ((values[Math.min(index + 1, values.length - 1)] ?? 0) - (values[Math.max(index - 1, 0)] ?? 0)) / 2;

function logLikelihoodOfSlip(drops: readonly number[], level: number): number {
  const scale = Math.hypot(ROUNDS.noise.value, ROUNDS.unevenness.value * level);
  const scales = drops.map(() => scale);
  return -drops.length * Math.log(scale) - logTails(drops, () => level, scales);
}

/** Student's density about what is expected in each round, four degrees of freedom, as a logarithm: (1 + z²/4)^(5/2) over it, without its width and the 3/8 that both stories have. */
function logTails(drops: readonly number[], expected: (round: number) => number, scales: readonly number[]): number {
  let tails = 0;
  for (let round = 0; round < drops.length; round++)
    tails += Math.log1p((((drops[round] ?? 0) - expected(round)) / (scales[round] ?? 1)) ** 2 / 4);
  return 2.5 * tails;
}

const lost = ({ remainder, first, kept }: Stretching, round: number) => remainder + first * kept ** round;

/** Rounds after the last one read, until one costs no more than the tolerance: none where the last one did by the model. */
function roundsTo(model: Stretching, tolerance: number, read: number): number {
  const room = tolerance - model.remainder;
  if (room <= 0) return Number.POSITIVE_INFINITY;
  const round = Math.max(0, Math.ceil(Math.log(room / model.first) / Math.log(model.kept)));
  return Math.max(0, round - (read - 1));
}

/** A drop is read with scatter, which widens what is expected. */
function asRead({ low, likely, high }: Band): Band {
  const noise = TENTH * scatterOf(likely);
  return { low: likely - Math.hypot(likely - low, noise), likely, high: likely + Math.hypot(high - likely, noise) };
}
