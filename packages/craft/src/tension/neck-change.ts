import { NECK } from '../constants/index.js';
import { fromMillimetres, type Metres, type Newtons } from '../units/index.js';

export interface Estimate {
  low: Metres;
  likely: Metres;
  high: Metres;
}

/** How much more a neck bows when the total pull changes: an estimate from typical necks, never a promise. */
export function reliefChange(pullChange: Newtons): Estimate {
  const { low, value, high } = NECK.reliefPerTenNewtons;
  const [near, far] = pullChange < 0 ? [high, low] : [low, high];
  const relief = (perTen: number) => fromMillimetres((perTen * pullChange) / 10);
  return { low: relief(near), likely: relief(value), high: relief(far) };
}
