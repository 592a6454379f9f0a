import { bandOf, type Weighted } from '../band/index.js';
import { NECK } from '../constants/index.js';
import { fromMillimetres, metres, newtons, toMillimetres, type Metres, type Newtons } from '../units/index.js';

/** Four times in five between low and high. */
export interface Estimate {
  low: Metres;
  likely: Metres;
  high: Metres;
}

/** The same neck measured twice: by how much more the strings pulled, and how much more it was bowed. */
export interface NeckReading {
  pullChange: Newtons;
  reliefChange: Metres;
}

/** How much this neck bows for 10 N more, mm. */
interface Give {
  low: number;
  value: number;
  high: number;
}

/** How much more a neck bows when the total pull changes: an estimate from typical necks, or from what was measured on this one; never a promise. */
export function reliefChange(pullChange: Newtons, measured: readonly NeckReading[] = []): Estimate {
  const { low, value, high } = giveOf(measured);
  const [near, far] = pullChange < 0 ? [high, low] : [low, high];
  const relief = (perTen: number) => fromMillimetres((perTen * pullChange) / TEN_NEWTONS);
  return { low: relief(near), likely: relief(value), high: relief(far) };
}

/** How much higher the strings stand at fret 12 when relief changes: an estimate, never less sure than the relief it rests on. */
export function actionChange(relief: Estimate): Estimate {
  const { low, value, high } = NECK.actionPerRelief;
  const [near, far] = relief.likely < 0 ? [high, low] : [low, high];
  return { low: metres(relief.low * near), likely: metres(relief.likely * value), high: metres(relief.high * far) };
}

const TEN_NEWTONS = newtons(10);
/** Half of all necks give between these on either side: the tenth percentile of a normal distribution. */
const TENTH = 1.2816;
const STEPS = 1200;

/**
 * Bayes' rule on a grid: typical necks spread about the default by the logarithm, each half as wide as the range of the constant says; a reading strays by what feeler
 * gauges are good to, with Student's density of four degrees of freedom, so that one relief taken after the truss rod was turned decides nothing. Few readings leave
 * the typical neck, many that agree leave it behind.
 */
function giveOf(measured: readonly NeckReading[]): Give {
  const typical = NECK.reliefPerTenNewtons;
  if (measured.length === 0) return typical;
  const [below, above] = [Math.log(typical.value / typical.low) / TENTH, Math.log(typical.high / typical.value) / TENTH];
  const candidates = Array.from({ length: STEPS }, (_, index) => (4 * (2 * index + 1 - STEPS)) / STEPS);
  const weighted = candidates.map((spreads): Weighted => {
    const value = typical.value * Math.exp(spreads * (spreads < 0 ? below : above));
    return { value, weight: Math.exp(-(spreads ** 2) / 2 + logLikelihood(value, measured)) };
  });
  const { low, likely, high } = bandOf(weighted);
  return { low, value: likely, high };
}

function logLikelihood(give: number, measured: readonly NeckReading[]): number {
  const off = ({ pullChange, reliefChange: read }: NeckReading) =>
    (toMillimetres(read) - (give * pullChange) / TEN_NEWTONS) / NECK.reading.value;
  return measured.reduce((sum, reading) => sum - 2.5 * Math.log(1 + off(reading) ** 2 / 4), 0);
}
