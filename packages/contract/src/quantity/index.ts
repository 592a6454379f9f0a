import * as z from 'zod';
import { parseNote } from '@gold-peg/craft/units';

/** What a number may be, and why nothing else is taken. */
interface Range {
  from: number;
  to: number;
  unit: string;
  because: string;
}

/** A physical number that refuses with the range, its unit and the reason, in one sentence. */
export function quantity({ from, to, unit, because }: Range) {
  const says = `must lie between ${from} and ${to}${unit === '' ? '' : ` ${unit}`}: ${because}`;
  return z
    .number({ error: `must be a number${unit === '' ? '' : ` in ${unit}`}, ${says.replace('must lie ', '')}` })
    .min(from, { error: says })
    .max(to, { error: says });
}

export const gaugeIn = quantity({
  from: 0.005,
  to: 0.18,
  unit: 'in',
  because: 'thinner strings are not made, and the thickest bass strings stop there',
});
export const gaugeMm = quantity({
  from: 0.127,
  to: 4.572,
  unit: 'mm',
  because: 'thinner strings are not made, and the thickest bass strings stop there',
});
export const postDiameterMm = quantity({ from: 3, to: 20, unit: 'mm', because: 'posts and rollers lie in that range' });
export const scaleMm = quantity({ from: 150, to: 1300, unit: 'mm', because: 'from the smallest ukulele to the longest bass' });
export const a4Hz = quantity({ from: 392, to: 466, unit: 'Hz', because: 'references in use lie in that range' });
export const frequencyHz = quantity({ from: 16, to: 3000, unit: 'Hz', because: 'no string of these instruments sounds outside it' });
export const linearDensityKgPerM = quantity({
  from: 1e-5,
  to: 0.1,
  unit: 'kg/m',
  because: 'no string of these instruments is lighter or heavier',
});

export const note = z
  .string({ error: 'must be a note such as E4, F♯3 or B♭2' })
  .max(8, { error: 'must be a note such as E4, F♯3 or B♭2' })
  .refine((text) => parseNote(text).ok, { error: 'must be a note such as E4, F♯3 or B♭2: a letter from A to G, accidentals, an octave' });

/** A line of text a person types. */
export const words = (what: string, most: number) =>
  z
    .string({ error: `must be ${what}` })
    .trim()
    .min(1, { error: `must not be empty: ${what} is needed` })
    .max(most, { error: `must have at most ${most} characters: ${what} is shown on one line` });

export const longText = (most: number) => z.string({ error: 'must be text' }).max(most, { error: `must have at most ${most} characters` });

export const instant = z.iso.datetime({ offset: true, error: 'must be a date and time with its zone, such as 2026-05-28T17:30:00Z' });
const SMALL = { error: 'must be written in small letters: an id is compared letter by letter' };
export const uuid = z.guid({ error: 'must be an id of the form xxxxxxxx-xxxx-xxxx-xxxx-xxxxxxxxxxxx' }).lowercase(SMALL);
export const uuidV7 = z.uuidv7({ error: 'must be a version 7 UUID, which the device makes' }).lowercase(SMALL);
/** Id of something new, made by who asks for it, so that the same request sent twice is the same thing once. */
export const newId = uuid;

/** The version that was read; the database counts to 2³¹ − 1. */
export const version = z
  .int({ error: 'must be the version that was read' })
  .min(1, { error: 'must be the version that was read' })
  .max(2 ** 31 - 1, { error: 'must be the version that was read: none is that high' });

/** Passports are numbered by the database, which counts so far. */
export const MOST_PASSPORT = 2 ** 31 - 1;
const NUMBER_OF_PASSPORT = { error: 'must be the number of a passport: a whole number from 1' };
export const passportNumber = z.coerce
  .number(NUMBER_OF_PASSPORT)
  .int(NUMBER_OF_PASSPORT)
  .min(1, NUMBER_OF_PASSPORT)
  .max(MOST_PASSPORT, { error: `must be the number of a passport: none is above ${MOST_PASSPORT}` });
