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
  type StringOrder,
  type Stripping,
} from './choices.js';
export { BUILT_IN_TURNS } from './built-in.js';
export { methodsFor, type HouseMethods } from './methods-for.js';
export type { CutTiming } from './cut-timing.js';
export { isSoft, isSoftMaterial, stringClass } from './string-class.js';
export { handFactor, saySlack, SLACK_SCHOOLS, TYPICAL_HAND, type HandMeasures, type SaidSlack, type SlackSchool } from './slack-school.js';
