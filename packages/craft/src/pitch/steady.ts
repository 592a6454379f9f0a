import { HEARING } from '../constants/index.js';
import type { Hertz } from '../units/index.js';
import { centsApart } from './cents-apart.js';
import type { Heard } from './detect.js';

/** What was heard of a pluck in one excerpt of it. */
export interface Frame extends Heard {
  /** Level of the excerpt, dB. */
  decibels: number;
}

export interface Steady {
  /** Median of the frames. */
  frequency: Hertz;
  /** Between the lowest and the highest of the frames that count, cents. */
  spreadCents: number;
  /** Of the frames that count, over all of them. */
  confidence: number;
}

/** The pitch that a row of frames holds; null where too few of them agree, or where they do not fade as a string does. */
export function steadyPitch(row: readonly Frame[]): Steady | null {
  const sorted = row.map(({ frequency }) => frequency).sort((a, b) => a - b);
  const median = sorted[sorted.length >> 1] as Hertz;
  const near = row.filter(({ frequency }) => centsApart(frequency, median) <= HEARING.steadyCents.value);
  if (near.length < HEARING.steadyFrames.value || !fades(row)) return null;
  const pitches = near.map(({ frequency }) => frequency);
  return {
    frequency: median,
    spreadCents: centsApart(Math.max(...pitches), Math.min(...pitches)),
    confidence: near.reduce((sum, { confidence }) => sum + confidence, 0) / row.length,
  };
}

/** From the first frame of a row to its last, by half of what a string fades in the time that frames are taken. */
function fades(row: readonly Frame[]): boolean {
  const [first, last] = [row[0], row.at(-1)] as [Frame, Frame];
  return first.decibels - last.decibels > (HEARING.fades.value * (HEARING.loggedTo.value - HEARING.loggedFrom.value)) / 2;
}
