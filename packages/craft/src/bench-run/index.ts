export { CAUTIONS, type CautionKind } from './cautions.js';
export type { Work } from './anchor-work.js';
export { stringOrder } from './string-order.js';
export {
  canStand,
  FORCED_REASONS,
  possibleStrippings,
  schoolsInForce,
  STRETCH_REASONS,
  stretchingInForce,
  STRIPPING_REASONS,
  type ForcedBy,
  type RunSchools,
  type School,
} from './schools.js';
export { allComeUpTogether, planRun, type BenchRun, type RunProblem, type RunStep } from './plan-run.js';
export { A_TONE_UNDER, evenest, mostApart, sideLoads, type SideLoad } from './even-load.js';
export { together } from './together.js';
export { sayTucks, tieWay, type TieWay } from './work-at-anchor.js';
export { isDone, latestStep, nextStep, stageReached, stepAt, stringRun, type StringRun, type StringStep } from './next-step.js';
export { prepareBridge } from './work-at-anchor.js';
