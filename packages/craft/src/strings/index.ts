export { coreArea, coreSeat, windString, type Core, type Layer, type Winding, type WindingProblem } from './winding.js';
export { coreFromGauge, type CoreGuess } from './core-from-gauge.js';
export { stringProperties, usualWrap, type StringProblem } from './string-properties.js';
export { CONSTRUCTIONS, FAMILIES, type Construction, type Family, type StringProperties, type StringSpec } from './string-spec.js';
export { SETS, setsFor, type SetString, type StringSet } from './sets.js';
