import { constant } from './constant.js';

/** Rounds of stretching and tuning again by hand. */
export const ROUNDS = {
  noise: constant(1.2, [0.6, 2], '¢', 'a drop read twice: pluck, reading and the hand on the peg'),
  slipping: constant(0.15, [0.05, 0.25], '', 'new strings whose anchor or kink gives way, workshop practice'),
  /** How unevenly a string slips, as a share of what it loses in a round. */
  unevenness: constant(0.25, [0.1, 0.4], '', 'workshop practice'),
  /** How differently the same hand pulls from round to round, as a share of what the pull costs. */
  hand: constant(0.18, [0.1, 0.3], '', 'rounds of the same hand on sound strings'),
  /** Share of a drop that the next round costs: mode of the prior kept^risesBy (1 − kept)^fallsBy. */
  keptRisesBy: constant(1.5, [1, 3], '', 'most strings keep 0.2 to 0.6 of a drop, workshop practice'),
  keptFallsBy: constant(3, [2, 4], '', 'the same'),
  /** What a last round may cost over the limit and still be told by one more. */
  toConfirm: constant(1.5, [1, 2], '¢', 'what a reading is good to'),
  /** A pluck so soon after another asks the same: nobody stretched in between. */
  atLeast: constant(2.5, [1.5, 5], 's', 'a stretch by hand along the whole string, and the pluck after it'),
  /** Share of what a bass string may still bear that a stretch by hand takes up at most. */
  gentleOnBass: constant(0.5, [0.3, 0.7], '', 'overstretching ruins a bass string, workshop practice'),
  typicalFirstDrop: constant(35, [10, 120], '¢', 'first stretch of a new string, workshop practice'),
  /** Mean of what goes on being lost in every round of a sound string. */
  typicalRemainder: constant(0.6, [0, 2], '¢', 'workshop practice'),
} as const;

/** How far new strings go on moving by themselves. */
export const DRIFT = {
  /** What is read after so long without a hand is told from a round. */
  rest: constant(10, [5, 30], 'min', 'rounds follow each other within minutes'),
  noise: constant(1, [0.5, 2], '¢', 'two readings hours apart, temperature and hand included'),
  /** Typical amplitude of what creep takes, ¢: per e-fold of time in the logarithmic law, in all in the stretched exponential. */
  amplitude: constant(20, [3, 80], '¢', 'nylon and fluorocarbon trebles tuned again over a day'),
  /** When creep begins to slow down, h. */
  onset: constant(0.12, [0.01, 1.5], 'h', 'the same'),
  /** Time of the stretched exponential, h. */
  relaxation: constant(6, [0.3, 120], 'h', 'relaxation of drawn polymers'),
  stretch: constant(0.45, [0.25, 0.8], '', 'relaxation of drawn polymers'),
  /** So long a string that creeps is left before its tail is cut. */
  night: constant(8, [6, 24], 'h', 'tails of nylon are cut on the day after, workshop practice'),
  /** How much likelier the logarithmic law is, before anything was read. */
  logarithmic: constant(0.7, [0.5, 0.9], '', 'creep of drawn polymers within days'),
} as const;
