import { pitchVerdict, type PitchVerdict } from '@gold-peg/craft/gauges';
import type { StringProperties } from '@gold-peg/craft/strings';
import { loadString } from '@gold-peg/craft/tension';
import { retuneSeats, withCapo, type Strung, type Tuned, type TunedNote } from '@gold-peg/craft/tuning';
import {
  frequencyOf,
  hertz,
  nearestNote,
  noteAtOrBelow,
  parseNote,
  semitonesBetween,
  type Hertz,
  type Newtons,
} from '@gold-peg/craft/units';

export const A4_RANGE = { least: 392, most: 466 };
const PITCH_RANGE = { least: 16, most: 3000 };

/** What somebody typed for one string: a note, or a number of hertz. */
export type Typed = { ok: true; tuned: TunedNote } | { ok: false; says: string };

/** Reads `E4`, `F♯3`, `Bb2`, or `82.4 Hz`: only what can sound on these instruments is taken. */
export function readPitch(text: string, a4: Hertz): Typed {
  const typed = text.trim();
  const number = /^(\d+(?:[.,]\d+)?)\s*(?:hz)?$/i.exec(typed);
  if (number !== null) {
    const frequency = Number((number[1] ?? '').replace(',', '.'));
    return inRange(frequency)
      ? { ok: true, tuned: { note: nearestNote(hertz(frequency), a4), frequency: hertz(frequency) } }
      : { ok: false, says: RANGE_SAYS };
  }
  const note = typed.charAt(0).toUpperCase() + typed.slice(1);
  if (!parseNote(note).ok) return { ok: false, says: 'must be a note with its octave, such as E4, F♯3 or Bb2, or a pitch such as 82.4 Hz' };
  return inRange(frequencyOf(note, a4)) ? { ok: true, tuned: { note, frequency: null } } : { ok: false, says: RANGE_SAYS };
}

const RANGE_SAYS = `must lie between ${PITCH_RANGE.least} and ${PITCH_RANGE.most} Hz: no string of these instruments sounds outside it`;
const inRange = (frequency: number) => frequency >= PITCH_RANGE.least && frequency <= PITCH_RANGE.most;

export interface TuningRow {
  number: number;
  note: string;
  own: string;
  pull: Newtons | null;
  verdict: PitchVerdict | null;
  safeNote: string;
  breakNote: string;
  semitonesToSafe: number;
  semitonesToBreak: number;
  /** What sounds with the capo. */
  sounds: string;
}

export function tuningRows(strung: Strung, tuned: Tuned, strings: readonly StringProperties[] | null, capo: number): TuningRow[] {
  const now = retuneSeats(strung, tuned);
  const behind = withCapo(now, capo);
  return now.seats.map((seat, index) => {
    const string = strings?.[index];
    const load = string === undefined ? null : loadString(string, seat.speakingLength, seat.pitch);
    const own = tuned.notes[index]?.frequency ?? null;
    return {
      number: index + 1,
      note: seat.note,
      own: own === null ? '' : `${own.toFixed(2)} Hz`,
      pull: load?.pull ?? null,
      verdict: load === null ? null : pitchVerdict(load),
      safeNote: load === null ? '' : noteAtOrBelow(load.safePitch, tuned.a4),
      breakNote: load === null ? '' : noteAtOrBelow(load.breakingPitch, tuned.a4),
      semitonesToSafe: load?.semitonesToSafe ?? 0,
      semitonesToBreak: load === null ? 0 : semitonesBetween(seat.pitch, load.breakingPitch),
      sounds: behind.seats[index]?.note ?? seat.note,
    };
  });
}

/** What the tuning would do to the strings, in words; null where all hold. */
export function sayVerdicts(rows: readonly TuningRow[]): { says: string; grave: boolean } | null {
  const of = (verdict: PitchVerdict) => rows.filter((row) => row.verdict === verdict);
  const list = (some: readonly TuningRow[]) => some.map(({ number, note }) => `${number} at ${note}`).join(', ');
  const breaking = of('breaks');
  if (breaking.length > 0) return { says: `This tuning breaks string ${list(breaking)} before it is reached.`, grave: true };
  const past = of('past-safe');
  if (past.length > 0)
    return { says: `String ${list(past)} is past its safe share of breaking: eyes away, or a thinner string.`, grave: true };
  const slack = of('too-slack');
  return slack.length > 0 ? { says: `String ${list(slack)} hangs slack: it rattles and does not hold its pitch.`, grave: false } : null;
}
