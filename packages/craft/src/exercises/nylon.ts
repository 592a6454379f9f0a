import { DRIFT } from '../constants/index.js';
import { handStrength } from '../simulated/index.js';
import { bisect } from '../solve/index.js';
import { cents, type Cents } from '../units/index.js';
import { atLevel } from './draw.js';

/** A treble that creeps, read a few times: from which hour after it was strung can it be promised? */
export interface NylonExercise {
  /** How flat it was each time, against the tuning before; it was tuned again each time. */
  readings: readonly { hours: number; cents: Cents }[];
  /** It holds once it loses no more than `cents` in `hours` after it is tuned. */
  hold: { cents: Cents; hours: number };
  /** From when it does, h after it was strung. */
  truth: number;
}

export interface NylonAnswer {
  hours: number;
}

/** Hours at which it was read. */
const READ_AT = [0.5, 1.5, 4];
const HOLD = { cents: cents(5), hours: 2 };
/** How far strings of a kind lie from one another, as the spread of a logarithm, by level. */
const SPREAD = [0.15, 0.25, 0.35, 0.5];
const [LEAST_HOURS, MOST_HOURS] = [5, 72];
/** Hours to look within. */
const A_YEAR = 8766;

/** What the logarithmic law b ln(1 + t/τ) takes from `from` to `until`, ¢. */
const gone = (amplitude: number, onset: number, from: number, until: number): number =>
  amplitude * (Math.log1p(until / onset) - Math.log1p(from / onset));

export function nylonExercise(chance: () => number, level: number): NylonExercise {
  const spread = atLevel(SPREAD, level);
  for (;;) {
    const amplitude = DRIFT.amplitude.value * handStrength(chance, spread);
    const onset = DRIFT.onset.value * handStrength(chance, 2 * spread);
    const truth = holdsFrom(amplitude, onset);
    if (truth < LEAST_HOURS || truth > MOST_HOURS) continue;
    const readings = READ_AT.map((hours, at) => ({
      hours,
      cents: cents(Math.round(gone(amplitude, onset, READ_AT[at - 1] ?? 0, hours))),
    }));
    return { readings, hold: HOLD, truth };
  }
}

function holdsFrom(amplitude: number, onset: number): number {
  const root = bisect((hours) => gone(amplitude, onset, hours, hours + HOLD.hours) - HOLD.cents, 0, A_YEAR, 1e-4);
  return root.kind === 'root' ? root.x : 0;
}

/** How far off, % of the hours that it takes. Below zero: promised too early. */
export const nylonOff = ({ truth }: NylonExercise, { hours }: NylonAnswer): number => 100 * (hours / truth - 1);
