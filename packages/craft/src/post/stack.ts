import { metres, type Metres } from '../units/index.js';
import type { PostAndString } from './take-up.js';

type Wrapped = Pick<PostAndString, 'postDiameter' | 'stringDiameter'>;

/** Height of one turn when turns touch: the string lies askew, so a little more than its diameter: d/√(1 − (d/2πρ)²). */
export function turnHeight({ postDiameter, stringDiameter }: Wrapped): Metres {
  const radius = (postDiameter + stringDiameter) / 2;
  return metres(stringDiameter / Math.sqrt(1 - (stringDiameter / (2 * Math.PI * radius)) ** 2));
}

/** Turns that fit below the hole in one layer, before they reach the face. */
export const capacityBelow = (holeHeight: Metres, wrapped: Wrapped): number =>
  Math.max(0, (holeHeight - wrapped.stringDiameter / 2) / turnHeight(wrapped));

/** Height above the face at which the string leaves the post: turns above the hole do not lower it. */
export const exitHeight = (holeHeight: Metres, turnsBelow: number, wrapped: Wrapped): Metres =>
  metres(holeHeight - Math.max(0, turnsBelow) * turnHeight(wrapped));

/** How far outside the first layer a second one rides, its turns lying between those below: d·√3/2. What lies there presses them apart and slips. */
export const secondLayerRise = (stringDiameter: Metres): Metres => metres((stringDiameter * Math.sqrt(3)) / 2);
