export { answering, latestAnswer } from './answers';
export { ArmPanel } from './arm-panel';
export { BridgePicture, clawWithin } from './bridge-picture';
export { BENT, BridgeSolver, soundsOf, type BridgeQuestion, type BridgeReply } from './bridge-solver';
export {
  list,
  plusMinus,
  sayAct,
  sayClaw,
  sayEighths,
  sayMark,
  sayMarkForClaw,
  sayNarrows,
  sayScrews,
  sayObstacle,
  sayToMiddle,
  sayTooMany,
  signed,
} from './bridge-words';
export { spanFor } from './span';
