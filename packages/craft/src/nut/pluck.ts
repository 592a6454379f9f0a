import { NUT } from '../constants/index.js';
import type { Family } from '../string-kinds/index.js';
import { fromMillimetres, radians, type Metres, type Radians } from '../units/index.js';

/** How a string is plucked where it is plucked hard: drawn aside by so much, so far from the bridge. */
export interface Pluck {
  aside: Metres;
  fromBridge: Metres;
  /** Slope with which it comes back to the nut; broken over the nut by less it lifts, and rings or buzzes. */
  slope: Radians;
}

export function hardPluck(family: Family): Pluck {
  const bass = family === 'bass';
  const aside = fromMillimetres((bass ? NUT.pluckAsideBass : NUT.pluckAside).value);
  const fromBridge = fromMillimetres((bass ? NUT.pluckFromBridgeBass : NUT.pluckFromBridge).value);
  return { aside, fromBridge, slope: pluckSlope(aside, fromBridge) };
}

/**
 * A string drawn aside by h at a distance x from the bridge is two straight pieces. Let go, the corner runs to the nut and back, and what comes back to the nut is
 * the piece that lay at the bridge: its slope is h/x.
 */
export const pluckSlope = (aside: Metres, fromBridge: Metres): Radians => radians(Math.atan(aside / fromBridge));
