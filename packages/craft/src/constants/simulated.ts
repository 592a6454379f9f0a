import { constant } from './constant.js';

/** Pegs and slots of instruments that are simulated. */
export const PEGS = {
  backlash: constant(10, [5, 20], '°', 'of the button, worm gears in use'),
  friction: constant(0.15, [0.1, 0.25], '', 'steel over bone, plastic or brass, dry'),
  /** Share of the pull at pitch with which a string is left when it is wound. */
  taut: constant(0.1, [0.05, 0.2], '', 'the string just lies in its slots, workshop practice'),
  /** What low strings are drawn to before anybody plucks them. */
  sounds: constant(28, [25, 35], 'Hz', 'below it a string rattles, and no ear tells its pitch'),
} as const;

/** How simulated strings settle and creep where rounds and drift of the table do not say. */
export const SETTLING_OF = {
  polymer: constant(90, [60, 160], '¢', 'first stretch of a new nylon treble, workshop practice'),
  kept: constant(0.4, [0.2, 0.6], '', 'most strings keep 0.2 to 0.6 of a drop, workshop practice'),
  steelCreep: constant(0.6, [0.1, 2], '¢', 'steel settles in its wraps for an hour'),
} as const;

/** How long a simulated string sounds. */
export const RINGS = {
  steel: constant(9, [4, 20], 's', 'a fresh steel string, to a thousandth of its amplitude'),
  polymer: constant(4, [2, 8], 's', 'a fresh nylon string, the same'),
  mostInharmonicity: constant(2e-3, [1e-3, 3e-3], '', 'of a string that is barely taut the partials run off the scale'),
} as const;
