export {
  isStringStage,
  STAGES,
  STRING_EVENTS,
  STRING_STAGES,
  stageOf,
  type Stage,
  type StringEventKind,
  type StringStage,
} from './stages.js';
export type { BenchEvent, BenchEventKind, EventOf, LoggedString, WoundPayload } from './events.js';
export { emptyWorksheet, foldWorksheet, passed, type Worksheet } from './fold.js';
export { currentStage, lastStanding, nextString } from './next-string.js';
export { setupOf, type Setup, type SetupString } from './setup.js';
