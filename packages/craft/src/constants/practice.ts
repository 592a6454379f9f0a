import { constant } from './constant.js';

const minutes = (value: number, low: number, high: number) =>
  constant(value, [low, high], 'min', 'attended bench work of one string of this kind, workshop practice');

/** Attended minutes of a restring before anything was learned about a bench. */
export const MINUTES = {
  setUp: constant(10, [5, 20], 'min', 'what is done once for an instrument, half at the bench and half at its bridge'),
  acoustic: minutes(5, 3, 8),
  electric: minutes(4.5, 3, 8),
  bass: minutes(4, 2.5, 7),
  classical: minutes(6, 4, 10),
  ukulele: minutes(5, 3, 8),
  mandolin: minutes(4, 2.5, 7),
  banjo: minutes(4, 2.5, 7),
  balance: constant(15, [10, 90], 'min', 'a bridge that moves, once for the instrument; by hand alone up to an hour and a half'),
  visit: constant(3, [2, 6], 'min', 'strings that were left to move are tuned again, all of them'),
  hang: constant(10, [5, 20], 'min', 'a set is hung up under its pull, string by string, with its weights'),
  handOver: constant(8, [4, 15], 'min', 'the card, the talk and the money'),
  longestStep: constant(30, [20, 60], 'min', 'a longer silence is a break that nobody took down: no single step takes as long'),
} as const;

/** How long new strings move before they can be promised, h. */
export const SETTLING_TIME = {
  polymer: constant(24, [12, 72], 'h', 'nylon, fluorocarbon and gut move for a day and want two to three'),
  steel: constant(0, [0, 2], 'h', 'steel holds after the rounds by hand'),
} as const;

/** How far a cut may lie from what is wanted. */
export const CUTTING = {
  goodBelow: constant(0.35, [0.25, 0.5], 'turns', 'fewer than wanted that still count as good work'),
  goodAbove: constant(0.75, [0.5, 1], 'turns', 'more than wanted that still count as good work'),
  leastInLock: constant(1, [0.5, 2], 'mm', 'string beyond its middle that a lock needs'),
  mostLocked: constant(1, [0.75, 1.25], 'turns', 'beyond so many a locking post gives away what it is for'),
  spareTravel: constant(3, [2, 5], 'mm', 'travel that a screw tuner should have left at pitch'),
  arcAtClamp: constant(1.5, [1, 3], 'mm', 'a small arc of slack shows that a clamped string has the right length'),
  insideClamp: constant(1, [0.5, 1.5], 'mm', 'how far inside its clamp a cut end is drawn, so that nothing sharp stands out'),
  pulledTight: constant(5, [3, 8], 'mm', 'less slack than this no hand leaves on purpose'),
} as const;

/** Where one kind of string ends and the next begins, mm of gauge. */
export const KINDS_OF_STRING = {
  thinPlainBelow: constant(0.45, [0.43, 0.48], 'mm', 'plain steel trebles, up to .018'),
  thickWoundAbove: constant(1, [0.9, 1.07], 'mm', 'wound basses, from .040 on'),
  bassAAbove: constant(1.85, [1.78, 1.91], 'mm', 'between the D and the A of a bass: .070 and .075'),
  bassLowAbove: constant(2.33, [2.29, 2.41], 'mm', 'between the A and the E of a bass: .090 and .095'),
  mandolinBelow: constant(400, [380, 420], 'mm', 'longer scales are those of the deeper kin of the mandolin'),
} as const;
