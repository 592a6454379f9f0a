export {
  ANCHORINGS,
  CUT_TIMES,
  inForce,
  METHOD_LAYERS,
  SOFT_FIXINGS,
  STEEL_FIXINGS,
  STRETCHINGS,
  STRING_CLASSES,
  STRING_ORDERS,
  STRIPPINGS,
  TIE_PASSES,
  type Anchoring,
  type Chosen,
  type CutTime,
  type LayeredChoices,
  type MethodChoices,
  type MethodLayer,
  type PostMethod,
  type SoftFixing,
  type SteelFixing,
  type Stretching,
  type StringClass,
  type StringTurns,
  type StringOrder,
  type Stripping,
  type TiePass,
} from './choices.js';
export { BUILT_IN_TURNS } from './built-in.js';
export { cutTimingFor, methodsFor, type HouseMethods } from './methods-for.js';
export type { CutTiming } from './cut-timing.js';
export { practiceOf, type Practice } from './practice.js';
export { FINE_WORK, HOLDS, LOGGED_WITHIN, offsetFor, tuningWays, type TuningWays } from './tuning-ways.js';
export { isSoft, stringClass } from './string-class.js';
export {
  handFactor,
  saySlack,
  SLACK_SCHOOLS,
  TIGHT,
  TYPICAL_HAND,
  type HandMeasures,
  type SaidSlack,
  type SlackSchool,
} from './slack-school.js';
