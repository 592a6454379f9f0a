export { ArmPanel } from './arm-panel';
export { BridgePicture, clawWithin } from './bridge-picture';
export { BridgeSolver, type BridgeQuestion, type BridgeReply } from './bridge-solver';
export {
  list,
  sayAct,
  sayClaw,
  sayEighths,
  sayMark,
  sayMarkForClaw,
  sayNarrows,
  sayScrews,
  sayObstacle,
  sayTooMany,
  signed,
} from './bridge-words';
export { spanFor } from './span';
