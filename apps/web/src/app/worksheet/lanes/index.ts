export { StageLanes } from './stage-lanes';
export { stageRows } from './stage-rows';
export { Stands } from './stands';
