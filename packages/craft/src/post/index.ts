export { rotationFor, takeUp, windingCircle, type PostAndString, type WindingCircle } from './take-up.js';
export { ruleOfThumbSlack, slackForTurns, stretchAtPost, turnsForSlack, type SlackProblem, type Stretch, type Wind } from './slack.js';
export { cutBeyondPost, kinkLockAllowance, kinkLockTail, slackForCut, type End } from './cut.js';
export { capacityBelow, exitHeight, turnHeight } from './stack.js';
export { inOwnWidths, inPostSpacings, nutToFret, pullBackFret } from './hand-measure.js';
