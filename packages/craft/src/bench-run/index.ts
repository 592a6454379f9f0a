export { CAUTIONS, type CautionKind } from './cautions.js';
export { TOOLS, type ToolKind } from './tools.js';
export type { Work } from './anchor-work.js';
export { stringOrder } from './string-order.js';
export {
  canStand,
  FORCED_REASONS,
  possibleStrippings,
  schoolsInForce,
  STRIPPING_REASONS,
  type ForcedBy,
  type RunSchools,
  type School,
} from './schools.js';
export { planRun, type BenchRun, type RunProblem, type RunStep } from './plan-run.js';
export { nextStep, stageReached, stringSteps, type StringStep } from './next-step.js';
