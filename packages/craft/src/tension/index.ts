export { fundamentalAt, tensionFor, type Stretchable } from './tension.js';
export { centsPerMetre, loadString, type LoadedString } from './loaded-string.js';
export { compareSets, totalPull, type PullChange, type SetComparison } from './compare.js';
export { mostAside, type PulledAside } from './aside.js';
export { bendFor, SEMITONE, type Bend, type Bendable, type BendOutcome } from './feel.js';
