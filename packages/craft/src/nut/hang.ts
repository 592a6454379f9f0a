import { NUT } from '../constants/index.js';
import { cents, type Cents, type Metres, type Radians } from '../units/index.js';
import type { SlotFit } from './slot-fit.js';

interface Hanging {
  /** How far the string is turned over the nut, down and sideways together. */
  turned: Radians;
  speakingLength: Metres;
  /** From the nut to the post. */
  behindNut: Metres;
  /** Null where nobody knows the slot: taken for one that fits. */
  fit: SlotFit['kind'] | null;
}

/** What a string may hang by at its nut, ¢: an estimate, from a slot that was lubricated to one that binds. */
export interface Hang {
  low: Cents;
  likely: Cents;
  high: Cents;
}

/**
 * How far the pitch jumps when a string that hung at its nut lets go (a ping). Friction over a turn of δ holds a pull on one side that is e^(μδ) times the other
 * (capstan equation); let go, both sides share it by their lengths L and H, and the speaking one goes up by 600 log₂((L + H e^(μδ))/(L + H)) cents.
 */
export function hangAtNut({ turned, speakingLength, behindNut, fit }: Hanging): Hang {
  const by = (friction: number) => {
    const more = Math.exp(friction * turned);
    return cents(600 * Math.log2((speakingLength + behindNut * more) / (speakingLength + behindNut)));
  };
  const { low, value, high } = fit === 'binds' ? NUT.frictionBinding : NUT.friction;
  return { low: by(low), likely: by(value), high: by(high) };
}
