import { CALIPER } from '../constants/index.js';
import type { StringProperties } from '../strings/index.js';
import { metres, type Metres } from '../units/index.js';
import { normal } from './chance.js';

const readingM = CALIPER.reading.value / 1000;

/**
 * What a caliper says of a string each time that it is closed on it anew: how thick that was made, what the caliper shows when it is closed on nothing, and its last
 * digit with the pressure of the hand, both normal (CALIPER). `chance`: evenly between 0 and 1.
 */
export function caliperReadings(
  { gauge, construction }: Pick<StringProperties, 'gauge' | 'construction'>,
  { zero, count }: { zero: Metres; count: number },
  chance: () => number,
): Metres[] {
  const making = construction === 'wound' ? CALIPER.makingWound.value : CALIPER.making.value;
  const thickness = gauge + (making / 1000) * normal(chance);
  return Array.from({ length: count }, () => metres(thickness + zero + readingM * normal(chance)));
}
