export {
  fanned,
  nameStrung,
  rescale,
  retune,
  retuneAsLogged,
  retuneSeats,
  strungKind,
  strungOf,
  tunedAs,
  withCapo,
  type Seat,
  type Strung,
  type Tuned,
  type TunedNote,
} from './strung.js';
export { nameTuning, TUNINGS, tuningsFor, type Tuning } from './tunings.js';
