export { coreArea, coreSeat, windString, type Core, type Layer, type Winding, type WindingProblem } from './winding.js';
export { coreFromGauge, type CoreGuess } from './core-from-gauge.js';
export { stringProperties, usualWrap, type StringProblem } from './string-properties.js';
export { type MassBasis, type StringProperties, type StringSpec } from './string-spec.js';
export { LINES, STRINGS } from './catalogue.js';
export { madeOf, nameSet, nameWinding, SETS, setsFor } from './sets.js';
export {
  COATINGS,
  listGauges,
  MARKS,
  printGauge,
  STRING_ENDS,
  weighedDensity,
  type Coating,
  type Mark,
  type StringEnd,
  type StringLine,
  type StringSet,
  type TableString,
  type Weighing,
} from './table-string.js';
