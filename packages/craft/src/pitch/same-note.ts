import { HEARING } from '../constants/index.js';
import type { Hertz } from '../units/index.js';
import { centsApart } from './cents-apart.js';
import type { Heard } from './detect.js';

/** A string is taken for its octave or its twelfth where its first partials are weak. */
const MISHEARD = [2, 3, 1 / 2];

const isSame = (one: number, other: number): boolean => centsApart(one, other) <= HEARING.sameNote.value;

/** Of another pitch, and no octave of it. */
export const isAnother = (one: Hertz, other: Hertz): boolean => [1, 2, 1 / 2].every((times) => !isSame(one, other * times));

/**
 * What is heard; where that lies an octave or a twelfth from what is expected, or is nothing, what is heard about the expected pitch if it stands out nearly as well. `guided` is asked only then.
 */
export function likelier(heard: Heard | null, expected: Hertz | null, guided: (expected: Hertz) => Heard | null): Heard | null {
  if (expected === null || (heard !== null && !MISHEARD.some((times) => isSame(heard.frequency, expected * times)))) return heard;
  const there = guided(expected);
  return there !== null && there.confidence > HEARING.guided.value * (heard?.confidence ?? 0) ? there : heard;
}
