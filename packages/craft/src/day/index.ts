export type {
  Arrival,
  Done,
  InForce,
  Job,
  Minute,
  Objective,
  Operation,
  Person,
  Pinned,
  Placed,
  Plan,
  Rack,
  Reason,
  Started,
  Window,
} from './model.js';
export { compare, STAYS_WITHIN } from './model.js';
export { planDay, type Planned, type PlanningTime } from './plan.js';
export { insertJob, type Asked, type Inserted } from './insert.js';
export { nextOf, type AtHand, type Next } from './next.js';
export { promises, type Promised } from './promise.js';
export { replanDay, replanQuietly, type Moved, type Replanned, type Why } from './replan.js';
export { pinFault, rackFault, type PinFault, type RackFault } from './rack-fault.js';
export { expectedEffort, minutesToSpare, type Effort } from './latest-start.js';
export { learnedMinutes, learnedPace, type Pace, type TimedStage } from './learned-pace.js';
export { stageMinutes } from './stage-minutes.js';
export { attendedInPieces, attendedTo, type LeftOfStages } from './attended.js';
export { PERCENTILES, percentileOf, type Attended, type Percentile } from './percentile.js';
export {
  BEGUN,
  HAND_OVER_ID,
  isVisit,
  isWork,
  LONGEST_WAIT,
  operationsOf,
  plannedMinutes,
  RESTRING,
  type HouseWays,
  type JobAtHand,
} from './operations.js';
export { arrivalOf, dealParts, holdUntil, suppliedIn, type Coming, type Need, type PartsTold } from './parts.js';
export { brier, correctionFrom, HONEST, honestyOf, meant, toSay, type Correction, type Kept, type SaidAlike } from './honesty.js';
