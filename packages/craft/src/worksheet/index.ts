export { isTick, stageOf } from './stages.js';
export {
  type BenchEvent,
  type BenchEventKind,
  type CountedPayload,
  type EventOf,
  type GaugeRead,
  type HeardAt,
  type OnBridge,
  type SpringsLearnedPayload,
  type PitchRead,
  type Measured,
  type ToolLaid,
  type LoggedTuning,
  type SetChosen,
  type WoundPayload,
} from './events.js';
export { logString, specOf, type LoggedString } from './logged-string.js';
export { stockUse, type StockUse } from './stock-use.js';
export { asItCame, emptyWorksheet, foldWorksheet, passed, stagesOf, type OnBridgeEvent, type Worksheet } from './fold.js';
export { currentStage, lastStanding } from './progress.js';
export { holdUp, type HeldUp } from './held-up.js';
export { driftOf, dropsOf, pulledSince } from './pitches.js';
export { lookedOver, setupOf, type Setup, type SetupString } from './setup.js';
export { countedAgainst, lies, woundAsPlanned } from './from-plan.js';
export { tellStory, type StoryLine } from './story.js';
export { stageBehind, stageTimes, type StageTime } from './stage-times.js';
