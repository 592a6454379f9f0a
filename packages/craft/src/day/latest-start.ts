import type { Family, StringProperties } from '../strings/index.js';
import { MINUTES_PER_STRING, SET_UP_MINUTES } from './stage-minutes.js';

/** Polymers move for a day; steel holds after the hand rounds. */
const SETTLING_HOURS = { polymer: 24, steel: 0 } as const;

export interface Effort {
  attendedMinutes: number;
  settlingHours: number;
}

export function expectedEffort(family: Family, constructions: readonly StringProperties['construction'][]): Effort {
  const soft = family === 'classical' || constructions.some((construction) => construction !== 'plain' && construction !== 'wound');
  return {
    attendedMinutes: SET_UP_MINUTES + MINUTES_PER_STRING[family] * constructions.length,
    settlingHours: soft ? SETTLING_HOURS.polymer : SETTLING_HOURS.steel,
  };
}

/** Minutes left before work has to start so that `promised` can be kept: below zero it is too late. Times in milliseconds since the epoch. */
export function minutesToSpare(promised: number, now: number, { attendedMinutes, settlingHours }: Effort): number {
  return (promised - now) / 60_000 - attendedMinutes - settlingHours * 60;
}
