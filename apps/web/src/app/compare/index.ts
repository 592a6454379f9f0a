export { CompareLanes } from './compare-lanes';
export { signed } from './compare-rows';
export { consequencesOf } from './consequences';
