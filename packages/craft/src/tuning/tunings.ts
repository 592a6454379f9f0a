import type { Family } from '../string-kinds/index.js';
import { frequencyOf } from '../units/index.js';

/** A tuning, from string 1 on. Named by its notes, low string first, as it is spoken. */
export interface Tuning {
  id: string;
  name: string;
  families: readonly Family[];
  notes: readonly string[];
}

const GUITARS = ['electric', 'acoustic', 'classical'] as const;

const letterOf = (note: string) => /^[A-G][♯♭]?/.exec(note)?.[0] ?? note;

/**
 * Letters of the strings, low to high; a course is named once, by its lower string. A re-entrant string, higher than the one above it, is in lower case, as players
 * of those instruments write it.
 */
export function nameTuning(notes: readonly string[], courses: readonly number[] = notes.map((_, index) => index)): string {
  const byCourse = new Map<number, string>();
  notes.forEach((note, index) => {
    const course = courses[index] ?? index;
    const known = byCourse.get(course);
    if (known === undefined || frequencyOf(note) < frequencyOf(known)) byCourse.set(course, note);
  });
  const low = [...byCourse.values()].reverse();
  return low
    .map((note, index) => {
      const next = low[index + 1];
      return next !== undefined && frequencyOf(note) > frequencyOf(next) ? letterOf(note).toLowerCase() : letterOf(note);
    })
    .join(' ');
}

/** `spoken` runs from the lowest string to string 1, with octaves; a course as its notes joined by a slash, the lower string first. */
function tuning(families: readonly Family[], spoken: string): Tuning {
  const courses = spoken.split(' ').map((text) => text.split('/'));
  const notes = [...courses].reverse().flatMap((course) => course);
  const numbers = [...courses].reverse().flatMap((course, index) => course.map(() => index));
  const octaves = courses.some(([low, other]) => other !== undefined && other !== low);
  const suffix = octaves ? ', octave courses' : '';
  return {
    id: `${families[0] ?? ''}-${spoken.toLowerCase().replaceAll('♭', 'b').replaceAll('♯', 's').replace(/[ /]/g, '-')}`,
    name: nameTuning(notes, numbers) + suffix,
    families,
    notes,
  };
}

const all = (families: readonly Family[], spoken: readonly string[]) => spoken.map((each) => tuning(families, each));
const pairs = (spoken: string) =>
  spoken
    .split(' ')
    .map((note) => `${note}/${note}`)
    .join(' ');

/** Tunings in use, the usual one of each family and number of strings first. */
export const TUNINGS: readonly Tuning[] = [
  ...all(GUITARS, [
    'E2 A2 D3 G3 B3 E4',
    'E♭2 A♭2 D♭3 G♭3 B♭3 E♭4',
    'D2 G2 C3 F3 A3 D4',
    'D2 A2 D3 G3 B3 E4',
    'D2 A2 D3 G3 B3 D4',
    'C2 G2 C3 F3 A3 D4',
    'D2 A2 D3 G3 A3 D4',
    'D2 G2 D3 G3 B3 D4',
    'D2 A2 D3 F♯3 A3 D4',
    'D2 A2 D3 F3 A3 D4',
    'E2 B2 E3 G♯3 B3 E4',
    'E2 A2 E3 A3 C♯4 E4',
    'C2 G2 C3 G3 C4 E4',
    'B1 E2 A2 D3 F♯3 B3',
    'A1 D2 G2 C3 E3 A3',
  ]),
  ...all(['electric'], ['B1 E2 A2 D3 G3 B3 E4', 'A1 E2 A2 D3 G3 B3 E4', 'F♯1 B1 E2 A2 D3 G3 B3 E4', 'E1 B1 E2 A2 D3 G3 B3 E4']),
  ...all(
    ['acoustic'],
    ['E2/E3 A2/A3 D3/D4 G3/G4 B3/B3 E4/E4', 'D2/D3 G2/G3 C3/C4 F3/F4 A3/A3 D4/D4', 'D2/D3 A2/A3 D3/D4 G3/G4 A3/A3 D4/D4'],
  ),
  ...all(
    ['bass'],
    [
      'E1 A1 D2 G2',
      'D1 A1 D2 G2',
      'D1 G1 C2 F2',
      'E♭1 A♭1 D♭2 G♭2',
      'B0 E1 A1 D2',
      'C1 G1 D2 A2',
      'A1 D2 G2 C3',
      'B0 E1 A1 D2 G2',
      'E1 A1 D2 G2 C3',
      'B0 E1 A1 D2 G2 C3',
    ],
  ),
  ...all(
    ['ukulele'],
    [
      'G4 C4 E4 A4',
      'G3 C4 E4 A4',
      'A4 D4 F♯4 B4',
      'A3 D4 F♯4 B4',
      'D3 G3 B3 E4',
      'D4 G3 B3 E4',
      'A2 D3 G3 C4 E4 A4',
      'G3/G4 C4/C5 E4/E4 A4/A4',
    ],
  ),
  ...all(
    ['mandolin'],
    [pairs('G3 D4 A4 E5'), pairs('G3 D4 A4 D5'), pairs('A3 E4 A4 E5'), pairs('C3 G3 D4 A4'), pairs('G2 D3 A3 E4'), pairs('G2 D3 A3 D4')],
  ),
  ...all(
    ['banjo'],
    ['G4 D3 G3 B3 D4', 'G4 C3 G3 B3 D4', 'G4 C3 G3 C4 D4', 'G4 D3 G3 C4 D4', 'C3 G3 D4 A4', 'G2 D3 A3 E4', 'C3 G3 B3 D4', 'D3 G3 B3 E4'],
  ),
];

export const tuningsFor = (family: Family, stringCount: number, among: readonly Tuning[] = TUNINGS): Tuning[] =>
  among.filter(({ families, notes }) => families.includes(family) && notes.length === stringCount);
