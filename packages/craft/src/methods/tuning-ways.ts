import { HEARING } from '../constants/index.js';
import { cents, type Cents } from '../units/index.js';
import { inForce, type LayeredChoices } from './choices.js';

/** Held well enough to leave the bench: tuned again before it is five cents off, and within that for two hours. */
export const HOLDS = { cents: cents(5), hours: 2 } as const;

/** What is good enough at the bench unless somebody asks for more: two cents is fine work. */
export const FINE_WORK = cents(2);

/** How exactly strings are tuned, and how long they have to stay so. */
export interface TuningWays {
  /** Nearer its note nobody asks a string to be, nor a round to cost less. */
  tolerance: Cents;
  /** For so long it is heard at its place until it is ticked by itself, s. */
  held: number;
  /** Strings that creep are tuned again before they are farther off than `cents`, and hold once they keep within that for so many hours. */
  hold: { cents: Cents; hours: number };
}

/** What is logged of a pluck is heard for so long anyway, s. */
export const LOGGED_WITHIN = HEARING.loggedTo.value - HEARING.loggedFrom.value;

export const tuningWays = (choices: LayeredChoices): TuningWays => ({
  tolerance: cents(inForce(choices, (from) => from.toleranceCents, FINE_WORK).value),
  held: inForce(choices, (from) => from.heldSeconds, LOGGED_WITHIN).value,
  hold: {
    cents: cents(inForce(choices, (from) => from.driftCents, HOLDS.cents).value),
    hours: inForce(choices, (from) => from.holdHours, HOLDS.hours).value,
  },
});

/** How far beside its note a string is tuned on purpose. `number`: 1 at the high side. */
export const offsetFor = (choices: LayeredChoices, number: number): Cents =>
  cents(inForce(choices, (from) => from.strings?.[number]?.offsetCents, 0).value);
