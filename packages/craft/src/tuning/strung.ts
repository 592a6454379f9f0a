import { instrumentOf } from '../archetypes/index.js';
import { pitchOf, stretchingPath, type AnchorKind, type Instrument } from '../instrument/index.js';
import type { Family } from '../string-kinds/index.js';
import { nameTuning } from './tunings.js';
import { frequencyOf, hertz, metres, nearestNote, type Hertz, type Metres } from '../units/index.js';

/** Where one string goes, and what is asked of it there. */
export interface Seat {
  note: string;
  pitch: Hertz;
  course: number;
  speakingLength: Metres;
  /** All of the string that shares its stretch, anchor to post. */
  path: Metres;
  /** Null where nothing is known of the nut. */
  slotWidth: Metres | null;
  /** Measured at this instrument, and not what is typical of its kind. */
  slotMeasured?: boolean;
}

/** What a set is chosen for: an instrument in its tuning, string 1 first. */
export interface Strung {
  family: Family;
  anchor: AnchorKind;
  /** Of a headless one: its bridge moves. */
  vibrato?: boolean;
  a4: Hertz;
  seats: readonly Seat[];
}

/** What one string is tuned to: a note, or a pitch of the player's own with the nearest note beside it. */
export interface TunedNote {
  note: string;
  frequency: Hertz | null;
}

/** A tuning as it stands on an instrument. */
export interface Tuned {
  notes: readonly TunedNote[];
  a4: Hertz;
}

export const tunedAs = ({ strings, a4 }: Instrument): Tuned => ({ notes: strings.map(({ note, frequency }) => ({ note, frequency })), a4 });

/** @throws RangeError when the tuning has not one note for each string: the edges have checked. */
export function retune(instrument: Instrument, { notes, a4 }: Tuned): Instrument {
  if (notes.length !== instrument.strings.length) throw new RangeError(`${notes.length} notes for ${instrument.strings.length} strings`);
  return { ...instrument, a4, strings: instrument.strings.map((place, index) => ({ ...place, ...notes[index] })) };
}

/** A tuning as the log keeps it: pitches in Hz, where the note alone does not say them. */
interface TuningInLog {
  a4Hz: number;
  notes: readonly { note: string; frequencyHz: number | null }[];
}

/** The instrument in the tuning that the log says, or in its own where it says none. */
export const retuneAsLogged = (instrument: Instrument, tuning: TuningInLog | undefined): Instrument =>
  tuning === undefined
    ? instrument
    : retune(instrument, {
        a4: hertz(tuning.a4Hz),
        notes: tuning.notes.map(({ note, frequencyHz }) => ({ note, frequency: frequencyHz === null ? null : hertz(frequencyHz) })),
      });

/** What a set is chosen for on this kind of instrument, in its usual tuning. Its nut is typical, not measured, and so left out. */
export function strungKind(archetypeId: string): Strung {
  const strung = strungOf(instrumentOf(archetypeId));
  return { ...strung, seats: strung.seats.map((seat) => ({ ...seat, slotWidth: null })) };
}

/** `slots`: widths that were measured, by string; where none was, the width is what is typical of the kind. */
export function strungOf(instrument: Instrument, slots: readonly (Metres | null)[] = []): Strung {
  return {
    family: instrument.family,
    anchor: instrument.bridge.anchor,
    vibrato: instrument.bridge.vibrato,
    a4: instrument.a4,
    seats: instrument.strings.map((place, index) => ({
      note: place.note,
      pitch: pitchOf(instrument, place),
      course: place.course,
      speakingLength: place.scaleLength,
      path: stretchingPath(instrument, place),
      slotWidth: slots[index] ?? place.slotWidth,
      slotMeasured: slots[index] != null,
    })),
  };
}

/** What the tuning is called as it stands: by its notes, a course once. */
export const nameStrung = ({ seats }: Strung): string =>
  nameTuning(
    seats.map(({ note }) => note),
    seats.map(({ course }) => course),
  );

/** @throws RangeError when the tuning has not one note for each seat. */
export function retuneSeats(strung: Strung, { notes, a4 }: Tuned): Strung {
  const seats = strung.seats.map((seat, index) => {
    const tuned = notes[index];
    if (tuned === undefined) throw new RangeError(`no note for string ${index + 1}`);
    return { ...seat, note: tuned.note, pitch: tuned.frequency ?? frequencyOf(tuned.note, a4) };
  });
  return { ...strung, a4, seats };
}

/** Other scale lengths, one for each seat, as of a multiscale neck: what stretches beyond the speaking length stays as it was. */
export function rescale(strung: Strung, scales: readonly Metres[]): Strung {
  const seats = strung.seats.map((seat, index) => {
    const speakingLength = scales[index] ?? seat.speakingLength;
    return { ...seat, speakingLength, path: metres(seat.path - seat.speakingLength + speakingLength) };
  });
  return { ...strung, seats };
}

/** Scale lengths that run evenly from the first string to the last, in frets that fan out. */
export const fanned = (first: Metres, last: Metres, count: number): Metres[] =>
  Array.from({ length: count }, (_, index) => metres(count < 2 ? first : first + ((last - first) * index) / (count - 1)));

/** What sounds with a capo behind this fret: shorter and higher, at the same pull. */
export function withCapo(strung: Strung, fret: number): Strung {
  const shorter = 2 ** (-fret / 12);
  return {
    ...strung,
    seats: strung.seats.map((seat) => {
      const pitch = hertz(seat.pitch / shorter);
      return { ...seat, pitch, note: nearestNote(pitch, strung.a4), speakingLength: metres(seat.speakingLength * shorter) };
    }),
  };
}
