export { after, begun, type Act } from './act.js';
export { anchorWays, type AnchorDoes, type AnchorWay } from './anchor-ways.js';
export { nextCosts } from './at-string.js';
export { layOut, type Restring, type ToString } from './lay-out.js';
export { isUp, type Mistake, type MistakeKind, type OnBench, type OnPost, type Wound } from './on-bench.js';
export { centsOff, coldNow, longerOn, pullNow, soundsNow, stillToRise } from './pulls.js';
export { isLoose } from './strung.js';
export { turnsFor } from './threaded.js';
export { isFinished, worthOf, type Worth } from './worth.js';
