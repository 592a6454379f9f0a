import { NINE_IN_TEN } from './percentile.js';

/** A promise as it was made, and what became of it. */
export interface Kept {
  /** What was said of it, from 0 to 1. */
  chance: number;
  kept: boolean;
}

/** Promises that were said to be about as likely as one another. */
export interface SaidAlike {
  /** From this chance on, below the next; the last one up to certain. */
  from: number;
  until: number;
  promises: number;
  kept: number;
  /** Mean of what was said, and share that was kept. */
  said: number;
  share: number;
  /** Between which the share lies by four in five, were there many more (Wilson). */
  low: number;
  high: number;
}

/** How what is said becomes what is meant: odds are raised to `slope` and multiplied by e to `shift`. One who is honest has 1 and 0. */
export interface Correction {
  slope: number;
  shift: number;
}

export const HONEST: Correction = { slope: 1, shift: 0 };

/** Where chances that are said alike begin. */
const FROM = [0, 0.5, 0.7, 0.8, 0.9, 0.95];

/** What was said against what was kept, in as many parts as there are promises for. */
export function honestyOf(promises: readonly Kept[]): SaidAlike[] {
  return FROM.flatMap((from, nth) => {
    const until = FROM[nth + 1] ?? 1;
    const here = promises.filter(({ chance }) => chance >= from && (chance < until || until === 1));
    if (here.length === 0) return [];
    const kept = here.filter((each) => each.kept).length;
    const share = kept / here.length;
    const said = here.reduce((sum, { chance }) => sum + chance, 0) / here.length;
    return [{ from, until, promises: here.length, kept, said, share, ...between(share, here.length) }];
  });
}

/** Wilson's interval of a share, two-sided 80 %. */
function between(share: number, count: number): { low: number; high: number } {
  const z2 = NINE_IN_TEN ** 2;
  const middle = (share + z2 / (2 * count)) / (1 + z2 / count);
  const half = (NINE_IN_TEN / (1 + z2 / count)) * Math.sqrt((share * (1 - share)) / count + z2 / (4 * count ** 2));
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/** Mean square of what was said less what came: 0 for a prophet, 0.25 for one who always says half; null where nothing was said. */
export const brier = (promises: readonly Kept[]): number | null =>
  promises.length === 0 ? null : promises.reduce((sum, { chance, kept }) => sum + (chance - Number(kept)) ** 2, 0) / promises.length;

/** A draw among two thousand says no more than that. */
const LEAST = 1 / 4000;
const oddsOf = (chance: number) => {
  const within = Math.min(1 - LEAST, Math.max(LEAST, chance));
  return Math.log(within / (1 - within));
};
const chanceAt = (odds: number) => 1 / (1 + Math.exp(-odds));

/** How far from honest a house may be before anything is known: standard deviations of the shift and of the logarithm of the slope. */
const SPREAD = { shift: 0.4, slope: 0.25 };
const ROUNDS = 40;

/**
 * Learns how what is said is to be taken, from what was kept: the most likely shift and slope of the odds (logistic, Fisher scoring), with normal priors about honesty; nobody is held for a liar for one bad week.
 */
export function correctionFrom(promises: readonly Kept[]): Correction {
  let [shift, stretch] = [0, 0];
  for (let round = 0; round < ROUNDS; round++) {
    // slopes and curvatures of the logarithm of the posterior
    let [byShift, byStretch] = [-shift / SPREAD.shift ** 2, -stretch / SPREAD.slope ** 2];
    let [both, ofShift, ofStretch] = [0, 1 / SPREAD.shift ** 2, 1 / SPREAD.slope ** 2];
    for (const { chance, kept } of promises) {
      const steep = Math.exp(stretch) * oddsOf(chance);
      const likely = chanceAt(shift + steep);
      const weight = likely * (1 - likely);
      byShift += Number(kept) - likely;
      byStretch += (Number(kept) - likely) * steep;
      ofShift += weight;
      both += weight * steep;
      ofStretch += weight * steep ** 2;
    }
    const area = ofShift * ofStretch - both ** 2;
    shift += (ofStretch * byShift - both * byStretch) / area;
    stretch += (ofShift * byStretch - both * byShift) / area;
  }
  return { slope: Math.exp(stretch), shift };
}

/** What is meant by what is said. What is certain stays so. */
export const meant = ({ slope, shift }: Correction, said: number): number =>
  said <= 0 || said >= 1 ? said : chanceAt(shift + slope * oddsOf(said));

/** What is to be said so that this is meant: the other way round. */
export const toSay = ({ slope, shift }: Correction, wanted: number): number =>
  wanted <= 0 || wanted >= 1 ? wanted : chanceAt((oddsOf(wanted) - shift) / slope);
