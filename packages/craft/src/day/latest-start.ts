import type { Family, StringProperties } from '../strings/index.js';

/** Minutes and hours that a restring is expected to take before anything has been learned about this bench: workshop practice. */
const ATTENDED_MINUTES = {
  setUp: 10,
  perString: { acoustic: 5, electric: 4.5, bass: 4, classical: 6, ukulele: 5, mandolin: 4, banjo: 4 } as const satisfies Record<
    Family,
    number
  >,
};
/** Polymers move for a day; steel holds after the hand rounds. */
const SETTLING_HOURS = { polymer: 24, steel: 0 } as const;

export interface Effort {
  attendedMinutes: number;
  settlingHours: number;
}

export function expectedEffort(family: Family, constructions: readonly StringProperties['construction'][]): Effort {
  const soft = family === 'classical' || constructions.some((construction) => construction !== 'plain' && construction !== 'wound');
  return {
    attendedMinutes: Math.round(ATTENDED_MINUTES.setUp + ATTENDED_MINUTES.perString[family] * constructions.length),
    settlingHours: soft ? SETTLING_HOURS.polymer : SETTLING_HOURS.steel,
  };
}

/** Minutes left before work has to start so that `promised` can be kept: below zero it is too late. Times in milliseconds since the epoch. */
export function minutesToSpare(promised: number, now: number, { attendedMinutes, settlingHours }: Effort): number {
  return (promised - now) / 60_000 - attendedMinutes - settlingHours * 60;
}
