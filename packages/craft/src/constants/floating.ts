import { constant } from './constant.js';

/** Floating bridges of the usual size. */
export const FLOATING = {
  saddleHeight: constant(10.5, [8, 14], 'mm', 'saddles above the edge that the bridge tips on, measured bridges'),
  saddleBehind: constant(3, [0, 8], 'mm', 'saddles behind that edge, away from the nut, measured bridges'),
  springDepth: constant(40, [33, 50], 'mm', 'hooks of the springs below that edge, measured bridges'),
  screwLead: constant(1.7, [1.4, 2.1], 'mm', 'how far one turn of a claw screw moves the claw, measured wood screws'),
  springs: constant(3, [2, 5], '', 'springs that are hooked in, five at most'),
  springRate: constant(1.2, [0.7, 2.5], 'N/mm', 'of one spring, measured springs'),
  springInitial: constant(8, [3.2, 20], 'N', 'pull that opens the coils of one spring, measured springs; some have almost none'),
  springFree: constant(55, [50, 60], 'mm', 'of a spring that nothing pulls, hook to hook'),
  backEdge: constant(45, [38, 52], 'mm', 'from the knife edge to the back edge of the plate, measured bridges'),
  overBody: constant(3, [2, 5], 'mm', 'free below the back edge of a bridge that floats level'),
  forwardStop: constant(25, [18, 30], '°', 'how far the arm dips until the block meets the wood'),
  /** How far apart the two claw screws stand, and the saddles of the outer strings. */
  clawScrews: constant(40, [30, 50], 'mm', 'between the two screws of a claw'),
  clawTravel: constant(35, [28, 45], 'mm', 'beyond the free length of its springs, to where a claw meets the wall'),
  returnsWithin: constant(2, [1, 3], '¢', 'nearer to where it was than an ear tells, a string came back'),
  safeShare: constant(0.85, [0.8, 0.9], '', 'of its breaking load, that no string is asked to bear'),
} as const;

/** The screws at a double-locking bridge that tune while its nut is clamped. */
export const FINE_TUNERS = {
  turns: constant(6, [4, 9], 'turns', 'from end to end, measured bridges'),
  draws: constant(0.2, [0.1, 0.3], 'mm', 'string that one turn draws in, measured bridges'),
  /** How far the pads of a nut drag a string as they are shut. */
  padsDrag: constant(4, [1, 10], '¢', 'spread of what a string sounds elsewhere once its clamp is shut, workshop practice'),
} as const;

/** Attended minutes of what is done at a bridge that moves, workshop practice. */
export const BRIDGE_WORK = {
  peg: constant(0.5, [0.3, 1], 'min', 'one string set to a mark and heard there'),
  heard: constant(0.15, [0.1, 0.3], 'min', 'one string heard as it stands'),
  claw: constant(2, [1, 4], 'min', 'both screws turned, half by half, the cover off'),
  block: constant(4, [2, 8], 'min', 'a block cut to the gap, seated, and taken out again'),
  spring: constant(3, [2, 5], 'min', 'one spring hooked in or out'),
  /** A claw that is let out until a block falls free is let out by steps of so much. */
  freedWithin: constant(0.0625, [0.03, 0.125], 'turns', 'a sixteenth of a turn, then the block is tried'),
  overLevel: constant(1, [0.5, 2], 'turns', 'farther in than level, so that the springs hold the block while strings are tuned'),
  levelWithin: constant(0.5, [0.3, 1], '°', 'a tilt that no eye sees at the back edge'),
} as const;

/** How well a bridge is read. */
export const BRIDGE_READINGS = {
  pitch: constant(0.5, [0.2, 1], '¢', 'a tuner and a string that rings out'),
  tilt: constant(0.3, [0.2, 0.5], '°', 'a depth gauge at the back edge, 0.2 mm'),
  stiffnessSpread: constant(0.05, [0.03, 0.08], '', 'spread of its logarithm: cores of wound strings are not published'),
} as const;
