import { BEFORE_MEASURING, CALIPER } from '../constants/index.js';
import type { StringSet, TableString } from '../strings/index.js';
import { toMillimetres, type Metres } from '../units/index.js';

/** What was read on one string; null where it was not measured. */
export interface Reading {
  diameter: Metres;
  /** Null where nobody looked. */
  wound: boolean | null;
}

export interface Likelihood {
  set: StringSet;
  probability: number;
  /** Greatest distance of a reading from the gauge printed, m. */
  farthest: Metres;
}

export interface Identified {
  sets: Likelihood[];
  /** Probability that it is no set of the table. */
  none: number;
}

/** Sets less likely than this are not worth showing. */
const LEAST_SHOWN = 0.005;

/** Standard deviation of a reading about the gauge printed, mm: the hand, and the tolerance of what was made. */
export const deviation = (construction: TableString['construction']) =>
  Math.hypot(CALIPER.reading.value, construction === 'plain' ? CALIPER.making.value : CALIPER.makingWound.value);

/** Logarithm of the normal density, per mm. */
export const logNormal = (off: number, sigma: number) => -0.5 * (off / sigma) ** 2 - Math.log(sigma * Math.sqrt(2 * Math.PI));

/**
 * The sets that readings may come from, by Bayes' rule: every set as likely as another beforehand, readings independent and normal about the
 * gauges printed; against them one hypothesis that it is no set of the table at all, whose strings may read anywhere within a millimetre: a density of one per mm.
 * Probabilities add up to one.
 */
export function identifySets(readings: readonly (Reading | null)[], sets: readonly StringSet[]): Identified {
  const fitting = sets.filter(({ strings }) => strings.length === readings.length);
  const scored = fitting.map((set) => ({
    set,
    log: Math.log((1 - BEFORE_MEASURING.setOfNoTable.value) / fitting.length) + logLikelihood(readings, set),
  }));
  const noneLog = Math.log(BEFORE_MEASURING.setOfNoTable.value);
  const most = Math.max(noneLog, ...scored.map(({ log }) => log));
  const sum = Math.exp(noneLog - most) + scored.reduce((total, { log }) => total + Math.exp(log - most), 0);
  return {
    none: Math.exp(noneLog - most) / sum,
    sets: scored
      .map(({ set, log }) => ({ set, probability: Math.exp(log - most) / sum, farthest: farthest(readings, set) }))
      .filter(({ probability }) => probability >= LEAST_SHOWN)
      .sort((a, b) => b.probability - a.probability),
  };
}

function logLikelihood(readings: readonly (Reading | null)[], { strings }: StringSet): number {
  return strings.reduce((sum, { gauge, construction }, index) => {
    const reading = readings[index] ?? null;
    if (reading === null) return sum;
    const kind =
      reading.wound === null
        ? 1
        : reading.wound === (construction === 'wound')
          ? 1 - BEFORE_MEASURING.mistakenKind.value
          : BEFORE_MEASURING.mistakenKind.value;
    return sum + logNormal(toMillimetres(reading.diameter) - toMillimetres(gauge), deviation(construction)) + Math.log(kind);
  }, 0);
}

function farthest(readings: readonly (Reading | null)[], { strings }: StringSet): Metres {
  return Math.max(0, ...strings.map(({ gauge }, index) => Math.abs((readings[index]?.diameter ?? gauge) - gauge))) as Metres;
}

/** Two strings of a set that are easily taken for one another. */
export interface Confusable {
  /** Zero-based positions. */
  first: number;
  second: number;
  apart: Metres;
  /** Chance that two readings come out in the wrong order. */
  mistaken: number;
}

/** Two strings that a caliper takes for one another more often than this are easily confused. */
const OFTEN_MISTAKEN = 0.01;

/** Pairs of strings that even a caliper may confuse: same make-up, different gauge, two readings come out in the wrong order once in a hundred times and more. */
export function confusables(strings: readonly Pick<TableString, 'gauge' | 'construction'>[]): Confusable[] {
  return strings.flatMap((one, first) =>
    strings.slice(first + 1).flatMap((other, offset) => {
      const apart = Math.abs(one.gauge - other.gauge);
      const alike = (one.construction === 'wound') === (other.construction === 'wound');
      if (!alike || apart === 0) return [];
      const sigma = Math.hypot(deviation(one.construction), deviation(other.construction));
      const mistaken = upperTail(toMillimetres(apart as Metres) / sigma);
      return mistaken < OFTEN_MISTAKEN ? [] : [{ first, second: first + 1 + offset, apart: apart as Metres, mistaken }];
    }),
  );
}

/** Chance of a standard normal above x ≥ 0, to 1e-7: Abramowitz and Stegun, Handbook of Mathematical Functions, 26.2.17. */
export function upperTail(x: number): number {
  const t = 1 / (1 + 0.2316419 * x);
  const series = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * series;
}
