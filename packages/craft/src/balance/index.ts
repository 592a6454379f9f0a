export type { Band } from '../band/index.js';
export { armRange, bend, restingAt, type ArmRange, type Resting, type StringRange } from './arm-range.js';
export {
  AT_THEIR_NOTES,
  bridgeNow,
  clawToLevel,
  edgeRise,
  tiltOf,
  type BridgeHappening,
  type BridgeNow,
  type Foretold,
  type LockingNut,
  type PassLeaves,
} from './at-bench.js';
export { blockLoad, type BlockLoad } from './block-load.js';
export { pullOf, speaking, type BridgeString, type FloatingBridge, type RestLengths, type Springs } from './bridge.js';
export { clawWhere, levelClaw, levelClawUnder, type ClawProblem } from './claw.js';
export { coupling } from './coupling.js';
export { forcesAt, levelRests, restingAngle, restsFrom, settle, tunedTo, type Balance } from './equilibrium.js';
export { fineTuners, type FineTuner } from './fine-tuners.js';
export type { Unknown } from './draws.js';
export { foresee, type Foreseen } from './foresee.js';
export { marksAt, nextAtBridge, type BridgeStep, type Marks } from './next-at-bridge.js';
export { onePass, type PassStep } from './one-pass.js';
export {
  learnSprings,
  USUAL_SPRINGS,
  calibrateSprings,
  foretell,
  type BridgeTrial,
  type ClawKnown,
  type ReadingErrors,
  type SpringSample,
  type SpringsLearned,
  type TrialStep,
} from './springs.js';
export { backEdge, bridgeOn, bridgeUnder, screwLead, usualSprings, type SpringFacts } from './from-instrument.js';
export { bridgeChange, type BridgeChange } from './set-change.js';
export { skewTravel } from './skew.js';
export { spreadOfBridge, type ArmSpread, type BridgeSpread } from './spread.js';
export { happeningsOf, skewOf, trialsIn } from './from-log.js';
export { judgeReturn, returnOf, type ReturnJudged, type ReturnRead, type StringReturn } from './return.js';
export { tryBridge, type BridgeTried } from './tried.js';
export { movesByEar, movesByMarks, offAt, type Moves, type TrueBridge } from './moves.js';
export { compareSchools, type Blocked, type OtherSprings, type SchoolsCompared, type SchoolWork } from './schools.js';
