import { WARMTH } from '../constants/index.js';
import type { StringProperties } from '../strings/index.js';

/**
 * Strain that a string loses while it is so much warmer than the neck that it lies along: (α of the string − α of wood) ΔT. So it sounds lower, the less the more it
 * is strained.
 */
export const strainLost = ({ thins }: Pick<StringProperties, 'thins'>, warmerBy: number): number =>
  ((thins ? WARMTH.polymer : WARMTH.steel).value - WARMTH.wood.value) * warmerBy;

/** How much colder than the room a neck is after so many seconds in it: what is left of `atFirst` falls by e in each time of the neck. */
export const coldAfter = (atFirst: number, seconds: number): number => atFirst * Math.exp(-seconds / WARMTH.neck.value);
