export type { Done, Job, Minute, Objective, Operation, Person, Pinned, Placed, Plan, Rack, Reason, Started, Window } from './model.js';
export { compare } from './model.js';
export { planDay, type Planned, type PlanningTime } from './plan.js';
export { rackFault, type RackFault } from './rack-fault.js';
export { expectedEffort, minutesToSpare, type Effort } from './latest-start.js';
export { learnedMinutes, learnedPace, type Pace, type TimedStage } from './learned-pace.js';
export { stageMinutes } from './stage-minutes.js';
