import { constant } from './constant.js';

/** What goes wrong, and how far, where a simulated instrument is restrung. */
export const RESTRINGING = {
  /** Chance that a turn which no hand guides lies across the one before. */
  crosses: constant(0.5, [0.3, 0.8], '', 'a string that is let run winds itself anywhere'),
  crossingDrop: constant(14, [5, 30], '¢', 'what a turn that slides off another costs under each stretch, workshop practice'),
  crossingRounds: constant(5, [3, 8], '', 'rounds until it has slid off, workshop practice'),
  /** What ball, knot or loop goes on taking up once the string is at its note. */
  seats: constant(0.05, [0.02, 0.15], 'mm', 'the last of what a ball, knot or loop takes up, until somebody presses it home'),
  hangs: constant(0.8, [0.4, 1.5], 'mm', 'an end that is not home takes up so much at once, sooner or later'),
  /** Shares of the pull at pitch at which an end gives way that was fixed badly. */
  runsAt: constant(0.6, [0.3, 0.9], '', 'a tie that runs never lets its string up'),
  creepsAt: constant(1.06, [1.02, 1.2], '', 'it comes up, and gives way under the first stretch'),
  /** What a clamp that is too tight leaves of a string. */
  notched: constant(0.3, [0.15, 0.4], '', 'share of its strength that a string loses where a clamp or pliers notch it'),
  /** A tail that is cut flush is not bent behind the hole any more. */
  flush: constant(0.25, [0.1, 0.5], '', 'share of what the bend in the hole holds that is left where nothing sticks out of it'),
  /** What a string bears that was wound before, where its bend lay. */
  bent: constant(0.15, [0.05, 0.25], '', 'share of its strength that a string loses where it was bent sharply at the edge of a post'),
  /** More pull than this share of that at pitch lets a string fly when it is cut. */
  fliesFrom: constant(0.15, [0.1, 0.3], '', 'slack enough to be moved aside with a finger, workshop practice'),
  neck: constant(0.05, [0.02, 0.1], '¢', 'what one newton of total pull costs every other string, necks of wood'),
} as const;

/** Pegs without gears: a screw through their button presses them into their hole. */
export const FRICTION_PEGS = {
  grips: constant(1.15, [0.8, 1.6], '', 'share of the torque at pitch that one holds as it comes: they work loose'),
  spread: constant(0.25, [0.15, 0.35], '', 'between pegs of one instrument, as the spread of a logarithm'),
  eighth: constant(1.25, [1.15, 1.4], '', 'what an eighth of a turn of its screw makes of that'),
  /** From here on it holds under a hand that stretches, and from there on it jerks. */
  firm: constant(1.45, [1.35, 1.6], '', 'a third more than the note pulls, and a little'),
  stiff: constant(2.3, [2, 3], '', 'a peg that holds twice what is asked is not turned finely any more'),
  jerk: constant(0.02, [0.01, 0.03], '', 'turns that a stiff peg jumps at once'),
} as const;

/** What warmth does to a string and to the neck that it lies along. */
export const WARMTH = {
  steel: constant(11.5e-6, [11e-6, 12e-6], '1/K', 'expansion of steel, handbook of materials'),
  polymer: constant(9e-5, [8e-5, 10e-5], '1/K', 'expansion of nylon, handbook of materials'),
  wood: constant(4e-6, [3e-6, 5e-6], '1/K', 'expansion of wood along its grain'),
  /** A neck follows the room with this time; a string is as warm as the room at once. */
  neck: constant(20 * 60, [10 * 60, 40 * 60], 's', 'an instrument in from the cold moves for an hour, workshop practice'),
  leastCold: constant(5, [3, 8], 'K', 'carried across a street'),
  mostCold: constant(14, [10, 25], 'K', 'out of a car in winter'),
  wait: constant(20 * 60, [10 * 60, 60 * 60], 's', 'let lie once'),
} as const;

/** How long each thing takes at a bench. */
export const HAND_SECONDS = {
  buttonTurn: constant(0.6, [0.3, 1.2], 's', 'with a winder'),
  fineTurn: constant(2, [1, 4], 's', 'by hand, listening'),
  snug: constant(8, [4, 15], 's', 'a screwdriver in hand, and an eighth of a turn'),
  cut: constant(6, [4, 10], 's', 'cut and lay aside'),
  takeOff: constant(25, [10, 60], 's', 'both ends out, coiled and binned'),
  anchor: constant(40, [15, 120], 's', 'one end fixed and looked at'),
  thread: constant(20, [10, 40], 's', 'through the post and its slack measured'),
  pluck: constant(3, [2, 6], 's', 'pluck and read'),
  stretch: constant(12, [6, 25], 's', 'one round along the whole string'),
  press: constant(5, [3, 10], 's', 'thumb at ball, knot or saddle'),
  judge: constant(2, [1, 5], 's', 'a look at the last rounds'),
  trim: constant(10, [5, 20], 's', 'tail cut and binned'),
  nut: constant(30, [15, 60], 's', 'three clamps of a locking nut'),
  block: constant(30, [15, 90], 's', 'a block under the bridge'),
  cover: constant(3, [2, 8], 's', 'eye protection on'),
} as const;
