import { BEFORE_MEASURING } from '../constants/index.js';
import type { TableString } from '../strings/index.js';
import { metres, toMillimetres, type Metres } from '../units/index.js';
import { deviation, logNormal } from './identify.js';

type Measurable = Pick<TableString, 'gauge' | 'construction'>;

/** What a reading says about the string that was taken from the packet. Probabilities of all strings of the set and of `none` add up to one. */
export interface StringCheck {
  verdict: 'as-planned' | 'another' | 'doubtful' | 'none-of-them';
  /** That it is the string it should be. */
  planned: number;
  /** The likeliest other string of the set, zero-based, and its chance; null where all others are of the same gauge as this. */
  rival: { index: number; probability: number } | null;
  /** That it is none of this set at all. */
  none: number;
  /** What it reads more than it should, m. */
  off: Metres;
}

/**
 * Whether a reading is that of string `index` of a set, by Bayes' rule as in {@link identifySets}: readings are normal about the gauges printed. Strings of one
 * gauge and make cannot be told apart, and count as the one planned. The eye takes a wound string for a plain one once in a hundred times.
 * @throws RangeError if the set has no string `index`.
 */
export function checkString(read: Metres, strings: readonly Measurable[], index: number): StringCheck {
  const planned = strings[index];
  if (planned === undefined) throw new RangeError(`no string ${index}`);
  const same = (other: Measurable) => other.gauge === planned.gauge && other.construction === planned.construction;
  const density = ({ gauge, construction }: Measurable) =>
    Math.exp(logNormal(toMillimetres(read) - toMillimetres(gauge), deviation(construction)));
  const looksAlike = (other: Measurable) =>
    (other.construction === 'wound') === (planned.construction === 'wound') ? 1 : BEFORE_MEASURING.mistakenKind.value;
  const others = strings.flatMap((other, at) => (same(other) ? [] : [{ index: at, string: other }]));
  const share = others.length === 0 ? 0 : BEFORE_MEASURING.anotherOfThePacket.value / others.length;
  const mine = (1 - BEFORE_MEASURING.noneOfThePacket.value - share * others.length) * density(planned);
  const theirs = others.map(({ index: at, string }) => ({ index: at, mass: share * looksAlike(string) * density(string) }));
  const none = BEFORE_MEASURING.noneOfThePacket.value; // times one per mm
  const sum = mine + none + theirs.reduce((total, { mass }) => total + mass, 0);
  const [rival] = theirs
    .map(({ index: at, mass }) => ({ index: at, probability: mass / sum }))
    .sort((a, b) => b.probability - a.probability);
  return {
    verdict: verdictOf(mine / sum, rival?.probability ?? 0, none / sum),
    planned: mine / sum,
    rival: rival ?? null,
    none: none / sum,
    off: metres(read - planned.gauge),
  };
}

function verdictOf(planned: number, rival: number, none: number): StringCheck['verdict'] {
  if (planned >= BEFORE_MEASURING.sure.value) return 'as-planned';
  if (rival >= 0.5) return 'another';
  return none >= 0.5 ? 'none-of-them' : 'doubtful';
}

/** More standard errors than this, and more than the last digit of a caliper, are no chance. */
const SUSPECT = { errors: 4, least: 0.015 };

/**
 * What all readings are off by together, where that is no chance: a caliper that was not zeroed. Null while fewer than two strings were read or nothing is amiss.
 * The mean of the differences, each weighted by the inverse of its variance.
 */
export function zeroError(readings: readonly { read: Metres; string: Measurable }[]): Metres | null {
  if (readings.length < 2) return null;
  const weighted = readings.map(({ read, string }) => ({
    off: toMillimetres(read) - toMillimetres(string.gauge),
    weight: deviation(string.construction) ** -2,
  }));
  const total = weighted.reduce((sum, { weight }) => sum + weight, 0);
  const mean = weighted.reduce((sum, { off, weight }) => sum + off * weight, 0) / total;
  // strings that are wrong scatter; a zero error moves all alike
  const scatter = weighted.every(({ off, weight }) => Math.abs(off - mean) < 3 / Math.sqrt(weight));
  const clear = Math.abs(mean) * Math.sqrt(total) > SUSPECT.errors && Math.abs(mean) > SUSPECT.least;
  return scatter && clear ? metres(mean / 1000) : null;
}
