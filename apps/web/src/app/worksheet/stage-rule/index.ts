export { STAGE_NAMES } from './stage-names';
export { StageRule } from './stage-rule';
