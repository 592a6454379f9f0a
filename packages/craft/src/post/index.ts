export { rotationFor, takeUp, windingCircle, type PostAndString, type WindingCircle } from './take-up.js';
export {
  ruleOfThumbSlack,
  slackForTurns,
  stretchAtPost,
  turnsForSlack,
  wrapsForSlack,
  type SlackProblem,
  type Stretch,
  type Wind,
} from './slack.js';
export { cutBeyondPost, kinkLockAllowance, kinkLockTail, slackForCut, type End } from './cut.js';
export { capacityBelow, exitHeight, secondLayerRise, turnHeight } from './stack.js';
export { inOwnWidths, inPostSpacings, liftInTheMiddle, nutToFret, pullBackFret, slackForLift } from './hand-measure.js';
