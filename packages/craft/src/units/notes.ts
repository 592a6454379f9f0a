import { hertz, type Hertz } from './quantities.js';

/** Pitch of A4 unless a player asks for another (ISO 16). */
export const CONCERT_A4 = hertz(440);

export type NoteProblem = { kind: 'not-a-note'; text: string };
export type ParsedNote = { ok: true; semitonesFromA4: number } | { ok: false; problem: NoteProblem };

const SEMITONES_ABOVE_C: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const ACCIDENTALS: Readonly<Record<string, number>> = {
  '': 0,
  '#': 1,
  '♯': 1,
  b: -1,
  '♭': -1,
  '##': 2,
  '♯♯': 2,
  x: 2,
  '𝄪': 2,
  bb: -2,
  '♭♭': -2,
  '𝄫': -2,
};
const NOTE = /^([A-G])(##|♯♯|x|𝄪|bb|♭♭|𝄫|#|♯|b|♭)?(-?\d)$/u;
const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'] as const;

/** Reads scientific pitch notation. The octave belongs to the letter, so C♭4 is B3 and B♯3 is C4. */
export function parseNote(text: string): ParsedNote {
  const match = NOTE.exec(text.trim());
  if (!match) return { ok: false, problem: { kind: 'not-a-note', text } };
  const [, letter = '', accidental = '', octave = ''] = match;
  const semitonesAboveC4 = (SEMITONES_ABOVE_C[letter] ?? 0) + (ACCIDENTALS[accidental] ?? 0) + 12 * (Number(octave) - 4);
  return { ok: true, semitonesFromA4: semitonesAboveC4 - 9 };
}

/** Equal temperament: f = A4 · 2^(n/12). @throws RangeError for text that `parseNote` refuses. */
export function frequencyOf(note: string, a4: Hertz = CONCERT_A4): Hertz {
  const parsed = parseNote(note);
  if (!parsed.ok) throw new RangeError(`${note} is not a note`);
  return hertz(a4 * 2 ** (parsed.semitonesFromA4 / 12));
}

/** Distance in semitones, positive when `frequency` lies above `reference`. */
export const semitonesBetween = (reference: Hertz, frequency: Hertz) => 12 * Math.log2(frequency / reference);

/** Name of the highest tempered note that does not lie above `frequency`. */
export function noteAtOrBelow(frequency: Hertz, a4: Hertz = CONCERT_A4): string {
  const rounding = 1e-9; // a frequency computed from a note must give that note back
  return noteName(Math.floor(semitonesBetween(a4, frequency) + rounding));
}

/** Name of the tempered note nearest to `frequency`. */
export const nearestNote = (frequency: Hertz, a4: Hertz = CONCERT_A4): string => noteName(Math.round(semitonesBetween(a4, frequency)));

/** The note that lies so many whole semitones above. @throws RangeError for text that `parseNote` refuses. */
export function transpose(note: string, semitones: number): string {
  const parsed = parseNote(note);
  if (!parsed.ok) throw new RangeError(`${note} is not a note`);
  return semitones === 0 ? note : noteName(parsed.semitonesFromA4 + semitones);
}

function noteName(semitonesFromA4: number): string {
  const aboveC0 = semitonesFromA4 + 57;
  return `${NAMES[((aboveC0 % 12) + 12) % 12]}${Math.floor(aboveC0 / 12)}`;
}
