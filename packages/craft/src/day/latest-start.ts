import { MINUTES, SETTLING_TIME } from '../constants/index.js';
import type { StringProperties } from '../strings/index.js';
import type { Family } from '../string-kinds/index.js';

export interface Effort {
  attendedMinutes: number;
  settlingHours: number;
}

export function expectedEffort(family: Family, constructions: readonly StringProperties['construction'][], balances = false): Effort {
  const soft = family === 'classical' || constructions.some((construction) => construction !== 'plain' && construction !== 'wound');
  return {
    attendedMinutes: MINUTES.setUp.value + MINUTES[family].value * constructions.length + (balances ? MINUTES.balance.value : 0),
    settlingHours: (soft ? SETTLING_TIME.polymer : SETTLING_TIME.steel).value,
  };
}

/** Minutes left before work has to start so that `promised` can be kept: below zero it is too late. Times in milliseconds since the epoch. */
export function minutesToSpare(promised: number, now: number, { attendedMinutes, settlingHours }: Effort): number {
  return (promised - now) / 60_000 - attendedMinutes - settlingHours * 60;
}
