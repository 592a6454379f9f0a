export {
  cents,
  fromDegrees,
  fromGigapascals,
  fromInches,
  fromMegapascals,
  fromMillimetres,
  hertz,
  kilogramsPerCubicMetre,
  kilogramsPerMetre,
  metres,
  newtons,
  pascals,
  radians,
  toDegrees,
  toInches,
  toKilogramsForce,
  toMillimetres,
  toPoundsForce,
} from './quantities.js';
export type { Cents, Hertz, KilogramsPerCubicMetre, KilogramsPerMetre, Metres, Newtons, Pascals, Radians } from './quantities.js';
export { CONCERT_A4, frequencyOf, nearestNote, noteAtOrBelow, parseNote, semitonesBetween, transpose } from './notes.js';
export type { NoteProblem, ParsedNote } from './notes.js';
