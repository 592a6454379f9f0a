/** Minutes that are attended to something: lognormal, half of all times no more than the median. */
export interface Attended {
  median: number;
  /** Of the logarithm. */
  sigma: number;
}

/** The 90th percentile of a standard normal distribution. */
export const NINE_IN_TEN = 1.2816;
/** Standard normal deviates of the shares that can be planned with. */
const DEVIATES = { 50: 0, 60: 0.2533, 70: 0.5244, 80: 0.8416, 90: NINE_IN_TEN } as const;
export const PERCENTILES = [50, 60, 70, 80, 90] as const;
export type Percentile = (typeof PERCENTILES)[number];

/** So many in a hundred take no longer. */
export const percentileOf = ({ median, sigma }: Attended, percentile: Percentile): number =>
  median * Math.exp(DEVIATES[percentile] * sigma);
