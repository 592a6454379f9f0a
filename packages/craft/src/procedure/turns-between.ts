import { windingCircle } from '../post/index.js';
import type { StringProperties } from '../strings/index.js';
import { tensionFor } from '../tension/index.js';
import type { Hertz, Metres } from '../units/index.js';
import type { WindPlan } from './wind-plan.js';

export interface Button {
  plan: WindPlan;
  string: StringProperties;
  scale: Metres;
  gearRatio: number;
}

/**
 * Turns of the button, or of the screw, from one pitch to another of a string that is wound as planned, below zero where it comes down: (T₂ − T₁)/EA of the whole path is
 * drawn in, a turn of the post at a time. What friction at the nut holds back comes on top. @throws RangeError for pitches that are not above zero.
 */
export function turnsBetween({ plan, string, scale, gearRatio }: Button, from: Hertz, to: Hertz): number {
  const strain = (tensionFor(to, scale, string) - tensionFor(from, scale, string)) / string.stiffness;
  const drawn = (plan.stretch.path * strain) / (1 + plan.load.strain);
  if (plan.kind === 'clamp') return (drawn / plan.screw.used) * plan.screw.turns;
  return (drawn / (2 * Math.PI * windingCircle(plan.geometry).lengthPerRadian)) * gearRatio;
}
