import { MINUTES } from '../constants/index.js';
import type { Family } from '../strings/index.js';
import type { Stage } from '../worksheet/index.js';
import { learnedPace, type TimedStage } from './learned-pace.js';
import { stageMinutes } from './stage-minutes.js';

/** Minutes that are attended to something: lognormal, half of all times no more than the median. */
export interface Attended {
  median: number;
  /** Of the logarithm. */
  sigma: number;
}

/** Standard normal deviates of the shares that can be planned with. */
const DEVIATES = { 50: 0, 60: 0.2533, 70: 0.5244, 80: 0.8416, 90: 1.2816 } as const;
export const PERCENTILES = [50, 60, 70, 80, 90] as const;
export type Percentile = (typeof PERCENTILES)[number];

/** So many in a hundred take no longer. */
export const percentileOf = ({ median, sigma }: Attended, percentile: Percentile): number =>
  median * Math.exp(DEVIATES[percentile] * sigma);

/** What is left of the stages of a job, each by the share of its strings that are still to be done. */
export type LeftOfStages = Partial<Record<Stage, number>>;

/**
 * Minutes of what is left, by the pace of whoever does it: each stage lognormal by itself, and the sum taken as lognormal with their mean and variance (Fenton and Wilkinson). Null where nothing is left.
 */
export function attendedTo(
  times: readonly TimedStage[],
  personId: string,
  { family, stringCount, left }: { family: Family; stringCount: number; left: LeftOfStages },
): Attended | null {
  let [mean, variance] = [0, 0];
  for (const [stage, share] of Object.entries(left) as [Stage, number][]) {
    const expected = (stage === 'balance' ? MINUTES.balance.value : stageMinutes(family, stringCount, stage)) * share;
    if (expected <= 0) continue;
    const { factor, high } = learnedPace(times, personId, family, stage);
    const sigma = Math.log(high / factor) / DEVIATES[90];
    const own = expected * factor * Math.exp(sigma ** 2 / 2);
    mean += own;
    variance += own ** 2 * Math.expm1(sigma ** 2);
  }
  if (mean === 0) return null;
  const sigma = Math.sqrt(Math.log1p(variance / mean ** 2));
  return { median: mean / Math.exp(sigma ** 2 / 2), sigma };
}
