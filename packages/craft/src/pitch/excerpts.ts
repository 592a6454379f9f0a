import { HEARING } from '../constants/index.js';
import type { Hertz } from '../units/index.js';

/** Samples of the excerpt that parts the partials of the lowest bass: the power of two nearest to its time, at a rate in hertz. */
export const longExcerpt = (sampleRate: number): number => 2 ** Math.round(Math.log2(HEARING.excerpt.value * sampleRate));

/** Excerpts that are listened to, where `long` parts the partials of any string: samples, the longest first. */
export const excerptsOf = (long: number): [number, number, number] => [long, long / 2, long / 4];

/** The shortest of them that serves a pitch; null for any pitch. */
export function excerptFor(pitch: Hertz | null, long: number): number {
  const [low, middle, high] = excerptsOf(long);
  if (pitch === null || pitch < 50) return low;
  return pitch < 100 ? middle : high;
}

/** Level of an excerpt against the loudest that there can be, dB; nothing is told as −120. */
export const levelOf = (samples: Float32Array): number =>
  10 * Math.log10(Math.max(samples.reduce((sum, sample) => sum + sample * sample, 0) / samples.length, 1e-12));
