import { describe, expect, it } from 'vitest';
import { cents } from '../units/index.js';
import { forecastDrift, judgeRounds, type DriftReading } from './index.js';

/*
 * The same questions answered from scratch: Bayes' rule with the priors of the constants, each integral a sum over a grid much finer than that of the code, densities
 * multiplied as they stand. What the code leaves out as negligible, and what it lets five amplitudes stand for, must not show.
 */
const range = (from: number, to: number, steps: number) =>
  Array.from({ length: steps }, (_, at) => from + ((to - from) * at) / (steps - 1));
const ratios = (from: number, to: number, steps: number) => range(Math.log(from), Math.log(to), steps).map(Math.exp);
const sum = (list: readonly number[]) => list.reduce((all, each) => all + each, 0);

function percentiles(values: readonly (readonly [value: number, weight: number])[]): number[] {
  const sorted = [...values].sort(([a], [b]) => a - b);
  const total = sum(values.map(([, weight]) => weight));
  return [0.1, 0.5, 0.9].map((share) => {
    let passed = 0;
    return sorted.find(([, weight]) => (passed += weight) >= share * total)?.[0] ?? Number.NaN;
  });
}

/** Student's density with four degrees of freedom, without the factor that all have. */
const student = (away: number, scale: number) => (1 + (away / scale) ** 2 / 4) ** -2.5 / scale;

interface Model {
  c: number;
  a: number;
  q: number;
  weight: number;
}

/** A sound string loses c + a qⁿ: a about 35 ¢ and e to 0.9 either way, q as q^1.5 (1 − q)³, c by e every 0.6 ¢; read to 1.2 ¢ by a hand that is 18 % uneven. */
function soundStrings(drops: readonly number[]): Model[] {
  const firsts = ratios(2, 250, 60).map((a) => [a, Math.exp(-((Math.log(a / 35) / 0.9) ** 2) / 2)] as const);
  const shares = range(0.1, 0.9, 41).map((q) => [q, q ** 1.5 * (1 - q) ** 3] as const);
  const remainders = range(0, 6, 31).map((c, at) => [c, Math.exp(-c / 0.6) * (at === 0 ? 0.5 : 1)] as const);
  const total = [firsts, shares, remainders].map((list) => sum(list.map(([, weight]) => weight))).reduce((all, each) => all * each, 1);
  return firsts.flatMap(([a, ofA]) =>
    shares.flatMap(([q, ofQ]) =>
      remainders.map(([c, ofC]) => {
        const of = (drop: number, n: number) => student(drop - c - a * q ** n, Math.hypot(1.2, 0.18 * a * q ** n));
        const likelihood = drops.reduce((product, drop, n) => product * of(drop, n), 1);
        return { c, a, q, weight: (ofA * ofQ * ofC * likelihood) / total };
      }),
    ),
  );
}

/** One that slips loses about the same each time, 5 to 150 ¢, give or take a quarter. */
const slippingStrings = (drops: readonly number[]) =>
  ratios(5, 150, 120).map((level) => ({
    level,
    weight: drops.reduce((product, drop) => product * student(drop - level, Math.hypot(1.2, 0.25 * level)), 1) / 120,
  }));

const judge = (drops: readonly number[], tolerance = 2) => judgeRounds({ drops: drops.map(cents), tolerance: cents(tolerance) });

describe('rounds, by a sum over all that can be', () => {
  it.each([[[30, 22]], [[30, 22, 19]], [[40, 20, 10]], [[12, 9, 8, 8]], [[90, 35, 30, 8]], [[26, 17, 13, 12]], [[7, 6, 7]]])(
    'slip is as likely as Bayes has it: %j',
    (drops) => {
      const sound = sum(soundStrings(drops).map(({ weight }) => weight));
      const slips = sum(slippingStrings(drops).map(({ weight }) => weight));
      const odds = (0.15 / 0.85) * (slips / sound);
      const { slipProbability } = judge(drops);
      expect(slipProbability / (1 - slipProbability) / odds).toBeGreaterThan(0.9);
      expect(slipProbability / (1 - slipProbability) / odds).toBeLessThan(1.1);
    },
  );

  it.each([[[40, 20, 10]], [[40, 22, 15, 11]], [[90, 35, 30, 8]]])(
    'rounds to go and the next drop lie where most of it does: %j',
    (drops) => {
      const sound = soundStrings(drops);
      const slips = slippingStrings(drops);
      const slip = judge(drops).slipProbability;
      const [ofSound, ofSlips] = [sound, slips].map((list) => sum(list.map(({ weight }) => weight)));
      // the first n with c + a qⁿ ≤ 2, less those that were made
      const left = percentiles(
        sound.map(({ c, a, q, weight }) => {
          let n = drops.length - 1;
          while (n < 60 && c + a * q ** n > 2) n++;
          return [n === 60 ? Infinity : n - drops.length + 1, weight];
        }),
      );
      const next = percentiles([
        ...sound.map(({ c, a, q, weight }) => [c + a * q ** drops.length, ((1 - slip) * weight) / (ofSound ?? 1)] as const),
        ...slips.map(({ level, weight }) => [level, (slip * weight) / (ofSlips ?? 1)] as const),
      ]);
      const { roundsLeft, nextDrop } = judge(drops);
      expect(roundsLeft.likely).toBe(left[1]);
      expect(Math.abs(roundsLeft.low - (left[0] ?? 0))).toBeLessThanOrEqual(1);
      expect(nextDrop.likely / (next[1] ?? 1)).toBeCloseTo(1, 1);
      // and it is read with a scatter of its own
      const noise = 1.2816 * Math.hypot(1.2, 0.18 * (next[1] ?? 0));
      expect(Math.abs(nextDrop.likely - nextDrop.low - Math.hypot((next[1] ?? 0) - (next[0] ?? 0), noise))).toBeLessThan(0.4);
      expect(Math.abs(nextDrop.high - nextDrop.likely - Math.hypot((next[2] ?? 0) - (next[1] ?? 0), noise))).toBeLessThan(0.4);
    },
  );
});

interface Law {
  gone: (hours: number) => number;
  prior: number;
}
/** An onset about 0.12 h, or a relaxation about 6 h of six stretches: e to 1.1 either way; the first 0.7 as likely before anything was read. */
function laws(): Law[] {
  const about = (value: number, usual: number) => Math.exp(-((Math.log(value / usual) / 1.1) ** 2) / 2);
  const [onsets, times, stretches] = [ratios(0.01, 1.5, 91), ratios(0.3, 120, 61), [0.25, 0.35, 0.45, 0.55, 0.65, 0.8]];
  return [
    ...onsets.map((onset) => ({ gone: (t: number) => Math.log(1 + t / onset), prior: (0.7 * about(onset, 0.12)) / onsets.length })),
    ...times.flatMap((time) =>
      stretches.map((beta) => ({
        gone: (t: number) => 1 - Math.exp(-((t / time) ** beta)),
        prior: (0.3 * about(time, 6)) / (times.length * stretches.length),
      })),
    ),
  ];
}

const LATEST = 24 * 365;
/** The hour at which a rising quantity reaches what is asked for. */
function hourOf(reached: (hours: number) => boolean): number {
  if (reached(1e-6)) return 0;
  if (!reached(LATEST)) return Infinity;
  let [low, high] = [1e-6, LATEST];
  for (let halving = 0; halving < 30; halving++) {
    const middle = Math.sqrt(low * high);
    if (reached(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** Amplitudes about 20 ¢, give or take as much; read to a cent. */
function expectedOf(readings: readonly DriftReading[], limit: number, hold: { cents: number; hours: number }) {
  const [next, holds]: (readonly [number, number])[][] = [[], []];
  const last = readings.at(-1)?.hours ?? 0;
  const tuned = readings.findLast(({ retuned }) => retuned)?.hours ?? 0;
  for (const { gone, prior } of laws()) {
    const moved = readings.flatMap(({ hours, cents: read }, at) => {
      const since = readings.slice(0, at).findLast(({ retuned }) => retuned)?.hours ?? 0;
      return read === null ? [] : [[gone(hours) - gone(since), read] as const];
    });
    for (const amplitude of range(-40, 140, 241)) {
      const likelihood = moved.reduce((product, [share, read]) => product * Math.exp(-((read + amplitude * share) ** 2) / 2), 1);
      const weight = prior * Math.exp(-(((amplitude - 20) / 20) ** 2) / 2) * likelihood;
      if (weight < 1e-14) continue;
      const a = Math.max(0, amplitude);
      const over = hourOf((t) => a * (gone(t) - gone(tuned)) >= limit);
      next?.push([Math.max(last, over), weight]);
      holds?.push([hourOf((t) => a * (gone(t + hold.hours) - gone(t)) <= hold.cents), weight]);
    }
  }
  return { next: percentiles(next ?? []), holds: percentiles(holds ?? []) };
}

describe('drift, by a sum over all that can be', () => {
  const reading = (hours: number, read: number | null, retuned = true): DriftReading => ({
    hours,
    cents: read === null ? null : cents(read),
    retuned,
  });
  it.each([
    ['one early reading', 0.05, [reading(0.25, -20)]],
    ['hardly moved', 0.1, [reading(1, -2)]],
    ['three, one of them left where it was', 0.03, [reading(0.5, -24), reading(1.5, -14, false), reading(4, -27)]],
    ['tuned for another reason between', 0.03, [reading(0.5, -12), reading(2, null), reading(5, -9)]],
    ['moved, then hardly any more', 0.03, [reading(0.5, -14), reading(2, -4), reading(8, -1)]],
  ])('%s: to %f of the hour', (_, within, readings) => {
    const hold = { cents: cents(5), hours: 2 };
    const { nextRetune, holdsFrom } = forecastDrift({ readings, limit: cents(5), hold });
    const wanted = expectedOf(readings, 5, hold);
    const found = [nextRetune, holdsFrom].flatMap(({ low, likely, high }) => [low, likely, high]);
    for (const [at, hours] of [...wanted.next, ...wanted.holds].entries())
      if (hours === 0 || hours === Infinity) expect(found[at]).toBe(hours);
      else expect(Math.abs(Math.log((found[at] ?? 0) / hours))).toBeLessThan(within);
  });
});
