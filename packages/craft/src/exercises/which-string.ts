import { caliperReadings } from '../simulated/index.js';
import { LINES, STRINGS, type TableString } from '../strings/index.js';
import { metres, type Metres } from '../units/index.js';
import { atLevel, eitherWay, oneOf, pickFrom } from './draw.js';

/** A loose string, read with a caliper and felt, out of a tray in which these lie. */
export interface WhichStringExercise {
  /** In the order of their gauges. */
  choices: readonly TableString[];
  /** Which of them it is. */
  truth: number;
  /** What the caliper says each time it is closed anew: true thickness, its zero, and the last digit. */
  readings: readonly Metres[];
  /** What it shows when it is closed on nothing. */
  zero: Metres;
  /** Whether a finger nail feels a winding. */
  ribbed: boolean;
}

export interface WhichStringAnswer {
  /** Place among the choices. */
  choice: number;
}

const CHOICES = 4;
const READINGS = 5;
/** How many rows of the table lie between two choices, by level: the last are neighbours. */
const APART = [4, 3, 3, 2, 2, 1];
/** A caliper that nobody zeroed shows so much at most. */
const MOST_ZERO_M = 0.00002;
/** From this level on the caliper was not zeroed. */
const NOT_ZEROED_FROM = 2;

export function whichStringExercise(chance: () => number, level: number): WhichStringExercise {
  const apart = atLevel(APART, level);
  const lines = LINES.map(({ id }) => STRINGS.filter(({ lineId }) => lineId === id).sort((a, b) => a.gauge - b.gauge));
  const long = lines.filter((line) => line.length > (CHOICES - 1) * apart);
  const line = pickFrom(long, chance);
  const first = oneOf(line.length - (CHOICES - 1) * apart, chance);
  const choices = line.filter((_, at) => at >= first && (at - first) % apart === 0).slice(0, CHOICES);
  const [truth, it] = pickFrom([...choices.entries()], chance);
  const zero = metres(level >= NOT_ZEROED_FROM ? eitherWay(MOST_ZERO_M, chance) : 0);
  const readings = caliperReadings(it, { zero, count: READINGS }, chance);
  return { choices, truth, readings, zero, ribbed: it.construction === 'wound' && it.finish !== 'flat' };
}

export const whichStringIsRight = ({ truth }: WhichStringExercise, { choice }: WhichStringAnswer): boolean => choice === truth;
