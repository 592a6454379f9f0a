export {
  ARM_WAYS,
  isStringStage,
  SCRAP_REASONS,
  STAGES,
  STRING_EVENTS,
  STRING_STAGES,
  type ArmWay,
  type ScrapReason,
  type Stage,
  type StringEventKind,
  type StringStage,
  type TickKind,
} from './stages.js';
