export { expectedEffort, minutesToSpare, type Effort } from './latest-start.js';
export { learnedMinutes, learnedPace, type Pace, type TimedStage } from './learned-pace.js';
export { stageMinutes } from './stage-minutes.js';
