import { NECK } from '../constants/index.js';
import { fromMillimetres, metres, type Metres, type Newtons } from '../units/index.js';

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

/** How much higher the strings stand at fret 12 when relief changes: an estimate, never less sure than the relief it rests on. */
export function actionChange(relief: Estimate): Estimate {
  const { low, value, high } = NECK.actionPerRelief;
  const [near, far] = relief.likely < 0 ? [high, low] : [low, high];
  return { low: metres(relief.low * near), likely: metres(relief.likely * value), high: metres(relief.high * far) };
}
