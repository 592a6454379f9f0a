import { FINE_WORK } from '@gold-peg/craft/settle';

/** Where a string is brought, cents from its note, and between what it is near enough. */
export interface Aim {
  cents: number;
  low: number;
  high: number;
}

/** A tone under first, where the school brings all strings near before any goes to its note: what comes after draws it on. Nearer will do as well. */
const TONE_UNDER: Aim = { cents: -200, low: -260, high: -FINE_WORK };

export const aimOf = (firstPass: boolean): Aim => (firstPass ? TONE_UNDER : { cents: 0, low: -FINE_WORK, high: FINE_WORK });

export const isThere = (cents: number, aim: Aim): boolean => cents >= aim.low && cents <= aim.high;
