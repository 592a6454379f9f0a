export { NECKS, strungNeck, usualTuning, type Neck } from './necks.js';
export {
  fanned,
  nameStrung,
  rescale,
  retune,
  retuneSeats,
  strungOf,
  tunedAs,
  withCapo,
  type Seat,
  type Strung,
  type Tuned,
  type TunedNote,
} from './strung.js';
export { nameTuning, TUNINGS, tuningsFor, type Tuning } from './tunings.js';
