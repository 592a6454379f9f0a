import { CONCERT_A4, hertz, type Hertz } from '../units/index.js';
import { atLevel, eitherWay, oneOf } from './draw.js';

/** Two tones after one another or together: how many cents is the string off its note? */
export interface CentsExercise {
  note: Hertz;
  sounds: Hertz;
  /** Above zero: sharp. */
  truth: number;
  /** Beats a second between the two, on the partial that is listened to. */
  beats: number;
  partial: number;
  /** The same once the button was turned up by so many cents: whether they grow faster tells on which side it was. */
  beatsAfter: number;
}

export interface CentsAnswer {
  cents: number;
}

/** How far off at most, by level. */
const MOST = [50, 40, 30, 20, 14, 10];
/** Notes that strings are tuned to, in semitones from A4: E2 to E4. */
const [LOWEST, HIGHEST] = [-29, -5];
/** Beats are listened to on the partial that lies nearest to this. */
const HEARD_NEAR = 660;
/** What the button is turned up by to tell the side. */
export const TRIED_CENTS = 4;

/** Beats a second between the same partial of two tones. */
export const beatsBetween = (a: Hertz, b: Hertz, partial: number): number => Math.abs(a - b) * partial;

export function centsExercise(chance: () => number, level: number): CentsExercise {
  const most = atLevel(MOST, level);
  const note = hertz(CONCERT_A4 * 2 ** ((LOWEST + oneOf(HIGHEST - LOWEST + 1, chance)) / 12));
  const truth = Math.round(10 * eitherWay(most, chance)) / 10;
  const sounds = hertz(note * 2 ** (truth / 1200));
  const partial = Math.max(1, Math.round(HEARD_NEAR / note));
  const after = hertz(sounds * 2 ** (TRIED_CENTS / 1200));
  return { note, sounds, truth, partial, beats: beatsBetween(note, sounds, partial), beatsAfter: beatsBetween(note, after, partial) };
}

/** How far what was said lies from what it is, ¢. Above zero: said too sharp. */
export const centsOff = ({ truth }: CentsExercise, { cents }: CentsAnswer): number => cents - truth;
