import type { Hertz } from '@gold-peg/craft/units';

/** A string that was heard at its place, and when, ms. */
export interface Heard {
  lane: number;
  sounds: Hertz;
  at: number;
}

/** A string that rings on is heard no longer than this, ms. */
const RINGS_MS = 4000;
/** Nearer than this two strings sound alike, cents. */
const ALIKE = 8;

/**
 * Whether what is heard of one string is the one before it, ringing on: it sounds where that did, and soon after. Taken for the string in hand it would say that this was
 * turned far, and teach springs that there are not. Two that truly sound alike are heard once the first has died away.
 */
export const isRingingOn = (before: Heard | null, now: Heard): boolean =>
  before !== null &&
  before.lane !== now.lane &&
  now.at - before.at < RINGS_MS &&
  Math.abs(1200 * Math.log2(now.sounds / before.sounds)) < ALIKE;
