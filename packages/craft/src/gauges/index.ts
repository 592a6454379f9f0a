export { bridgeTilt, type Tilt } from './bridge-tilt.js';
export {
  bridgeStrung,
  compareOn,
  seatString,
  type ComparedString,
  type Comparison,
  type SeatedString,
  type Stringing,
} from './comparison.js';
export { confusables, identifySets, type Confusable, type Identified, type Likelihood, type Reading } from './identify.js';
export { solveGauges, type Progress } from './solve-gauges.js';
export { pitchVerdict, type PitchVerdict } from './verdict.js';
export type { GaugeAnswer, GaugeProblem, GaugeQuestion, OnTheShelf, Wish } from './wish.js';
export { checkString, zeroError, type StringCheck } from './check-string.js';
export { firstLaidOut } from './first-laid-out.js';
