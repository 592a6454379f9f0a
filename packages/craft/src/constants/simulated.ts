import { constant } from './constant.js';

/** Pegs and slots of instruments that are simulated. */
export const PEGS = {
  backlash: constant(10, [5, 20], '°', 'of the button, worm gears in use'),
  friction: constant(0.15, [0.1, 0.25], '', 'steel over bone, plastic or brass, dry'),
  wraps: constant(0.2, [0.15, 0.3], '', 'friction of turns on a post of metal or wood, dry'),
  tail: constant(0.12, [0.05, 0.3], '', 'share of its pull that the bend in the hole alone holds: two turns hold, one slips'),
  /** Share of the pull at pitch with which a string is left when it is wound. */
  taut: constant(0.1, [0.05, 0.2], '', 'the string just lies in its slots, workshop practice'),
  /** From the nut to a clamp that holds the string behind it. */
  toClamp: constant(20, [10, 40], 'mm', 'clamps stand close behind the nut'),
  /** What low strings are drawn to before anybody plucks them. */
  sounds: constant(28, [25, 35], 'Hz', 'below it a string rattles, and no ear tells its pitch'),
} as const;

/** How simulated strings settle and creep where rounds and drift of the table do not say. */
export const SETTLING_OF = {
  polymer: constant(90, [60, 160], '¢', 'first stretch of a new nylon treble, workshop practice'),
  kept: constant(0.4, [0.2, 0.6], '', 'most strings keep 0.2 to 0.6 of a drop, workshop practice'),
  /** How far strings and pegs of a kind lie from one another, as the spread of a logarithm. */
  spread: constant(0.3, [0.2, 0.4], '', 'between strings of one kind'),
  keptSpread: constant(0.2, [0.1, 0.3], '', 'the same of the share they keep'),
  mostKept: constant(0.7, [0.6, 0.8], '', 'one that kept more would be a poor string'),
  steelCreep: constant(0.6, [0.1, 2], '¢', 'steel settles in its wraps for an hour'),
} as const;

/** How long a simulated string sounds. */
export const RINGS = {
  steel: constant(9, [4, 20], 's', 'a fresh steel string, to a thousandth of its amplitude'),
  polymer: constant(4, [2, 8], 's', 'a fresh nylon string, the same'),
  /** How much faster each higher partial fades, as a share of the first: fresh, and after months of playing. */
  dulls: constant(0.12, [0.08, 0.2], '', 'a fresh string'),
  dullsWorn: constant(0.6, [0.3, 1], '', 'a dead string is dull: its upper partials go first'),
  worn: constant(0.5, [0.3, 0.8], '', 'share of its time that a dead string sounds'),
  /** A string beside one that is plucked, through the bridge. */
  couples: constant(0.05, [0.01, 0.1], '', 'of a partial, what another string takes up that has the same'),
  width: constant(2, [1, 5], 'Hz', 'so near two partials must lie for one to drive the other'),
  least: constant(1e-3, [1e-4, 1e-2], '', 'sixty decibels under the first partial nobody hears'),
  /** Where a hand plucks, as a share of the length from the bridge: from here to there. */
  pluckedFrom: constant(0.13, [0.1, 0.2], '', 'between sound hole and bridge, workshop practice'),
  pluckedTo: constant(0.23, [0.2, 0.3], '', 'the same, the far end'),
  mostInharmonicity: constant(2e-3, [1e-3, 3e-3], '', 'of a string that is barely taut the partials run off the scale'),
} as const;
