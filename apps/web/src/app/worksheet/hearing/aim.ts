import { A_TONE_UNDER } from '@gold-peg/craft/bench-run';
import type { Cents } from '@gold-peg/craft/units';

/** Where a string is brought, cents from its note, and between what it is near enough. */
export interface Aim {
  cents: number;
  low: number;
  high: number;
  /** There it is stretched once, and brought there again. */
  twice: boolean;
}

/** A tone under first, where all strings come up together: what comes after draws it on. Nearer will do as well. */
const TONE_UNDER = { cents: A_TONE_UNDER, low: -260, twice: false };

/** Where a string stands that was brought up without the ear. */
export const broughtTo = (together: boolean): number => (together ? TONE_UNDER.cents : 0);

/** `firstPass`: it bears pull for the first time. `together`: so do others of the job. `tolerance`: so near its note is near enough. */
export function aimOf({ firstPass, together, tolerance }: { firstPass: boolean; together: boolean; tolerance: Cents }): Aim {
  if (firstPass && together) return { ...TONE_UNDER, high: -tolerance };
  return { cents: 0, low: -tolerance, high: tolerance, twice: firstPass };
}

export const isThere = (cents: number, aim: Aim): boolean => cents >= aim.low && cents <= aim.high;

/** Whether a string that was read so, the latest last, is where it was to be: stretched in between where it has to be. */
export function hasArrived(readings: readonly number[], aim: Aim): boolean {
  const last = readings.at(-1);
  if (last === undefined || !isThere(last, aim)) return false;
  const first = readings.findIndex((cents) => cents >= aim.low);
  return !aim.twice || readings.slice(first).some((cents) => cents < aim.low);
}
