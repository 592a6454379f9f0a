import type { AnchorKind } from '../instrument/index.js';
import type { Family } from '../strings/index.js';
import { CONCERT_A4, fromMillimetres, frequencyOf } from '../units/index.js';
import type { Strung } from './strung.js';
import { tuningsFor, type Tuning } from './tunings.js';

/** Typical neck of a kind, to choose strings for while no instrument has been measured. Millimetres. */
export interface Neck {
  id: string;
  name: string;
  family: Family;
  strings: number;
  /** Scale of string 1 and of the last, strings between them evenly; a short fifth string stands by itself. */
  scaleMm: readonly [first: number, last: number];
  shortFifthMm?: number;
  anchor: AnchorKind;
  behindSaddleMm: number;
  /** Nut to post, on average. */
  headMm: number;
  courses: 1 | 2;
  /** Note of the last string in the usual tuning, where it is not the first on the list. */
  usual?: string;
}

const neck = (
  id: string,
  name: string,
  family: Family,
  strings: number,
  scale: number | readonly [number, number],
  anchor: AnchorKind,
  behindSaddleMm: number,
  headMm: number,
  more: Pick<Neck, 'shortFifthMm' | 'usual'> & { courses?: 2 } = {},
): Neck => ({
  id,
  name,
  family,
  strings,
  scaleMm: typeof scale === 'number' ? [scale, scale] : scale,
  anchor,
  behindSaddleMm,
  headMm,
  courses: 1,
  ...more,
});

export const NECKS: readonly Neck[] = [
  neck('flat-top', 'Flat-top acoustic, large', 'acoustic', 6, 645, 'pins', 20, 87),
  neck('parlour', 'Flat-top acoustic, parlour', 'acoustic', 6, 632, 'pins', 20, 92),
  neck('twelve', 'Twelve-string acoustic', 'acoustic', 12, 645, 'pins', 20, 98, { courses: 2 }),
  neck('classical', 'Classical', 'classical', 6, 650, 'tie-block', 12, 77),
  neck('electric-in-line', 'Electric, six in line', 'electric', 6, 648, 'resting-vibrato', 45, 100),
  neck('electric-floating', 'Electric, floating vibrato', 'electric', 6, 648, 'floating-vibrato', 45, 100),
  neck('electric-split', 'Electric, split headstock', 'electric', 6, 628, 'stop-tailpiece', 52, 80),
  neck('electric-double-locking', 'Electric, double-locking', 'electric', 6, 648, 'double-locking', 45, 0),
  neck('electric-headless', 'Electric, headless', 'electric', 6, 648, 'headless', 20, 10),
  neck('electric-baritone', 'Baritone electric', 'electric', 6, 686, 'through-body', 25, 100, { usual: 'B1' }),
  neck('electric-seven', 'Electric, seven, multiscale', 'electric', 7, [648, 686], 'top-load', 12, 108),
  neck('electric-eight', 'Electric, eight', 'electric', 8, 673, 'through-body', 25, 85),
  neck('bass-four', 'Bass, four in line', 'bass', 4, 864, 'top-load', 12, 116),
  neck('bass-short', 'Bass, short, split', 'bass', 4, 762, 'top-load', 12, 84),
  neck('bass-five', 'Bass, five', 'bass', 5, 864, 'through-body', 25, 120),
  neck('bass-six', 'Bass, six', 'bass', 6, 889, 'top-load', 12, 90),
  neck('ukulele-soprano', 'Ukulele, soprano', 'ukulele', 4, 345, 'knot-in-slot', 12, 52),
  neck('ukulele-concert', 'Ukulele, concert', 'ukulele', 4, 381, 'tie-block', 12, 54),
  neck('ukulele-tenor', 'Ukulele, tenor', 'ukulele', 4, 432, 'wrap-and-tuck', 12, 57),
  neck('ukulele-baritone', 'Ukulele, baritone', 'ukulele', 4, 508, 'tie-block', 12, 59, { usual: 'D3' }),
  neck('mandolin', 'Mandolin', 'mandolin', 8, 353, 'hooked-tailpiece', 110, 67, { courses: 2 }),
  neck('mandola', 'Mandola', 'mandolin', 8, 432, 'hooked-tailpiece', 110, 69, { courses: 2, usual: 'C3' }),
  neck('octave-mandolin', 'Octave mandolin', 'mandolin', 8, 533, 'hooked-tailpiece', 110, 71, { courses: 2, usual: 'G2' }),
  neck('banjo-five', 'Banjo, five-string', 'banjo', 5, 670, 'hooked-tailpiece', 110, 61, { shortFifthMm: 502 }),
  neck('banjo-tenor', 'Banjo, tenor', 'banjo', 4, 580, 'hooked-tailpiece', 110, 61),
];

/** The tuning that a neck of this kind usually bears. @throws RangeError where none is known: the list is ours. */
export function usualTuning({ family, strings, usual }: Neck): Tuning {
  const known = tuningsFor(family, strings);
  const found = usual === undefined ? known[0] : known.find(({ notes }) => notes.at(-1) === usual);
  if (found === undefined) throw new RangeError(`no tuning for ${strings} strings of ${family}`);
  return found;
}

/** A typical neck in its usual tuning. Its nut is not measured. */
export function strungNeck(kind: Neck): Strung {
  const [first, last] = kind.scaleMm;
  const tuning = usualTuning(kind);
  const seats = tuning.notes.map((note, index) => {
    const even = first + ((last - first) * index) / (kind.strings - 1);
    const scaleMm = index === 4 && kind.shortFifthMm !== undefined ? kind.shortFifthMm : even;
    return {
      note,
      pitch: frequencyOf(note),
      course: Math.floor(index / kind.courses) + 1,
      speakingLength: fromMillimetres(scaleMm),
      path: fromMillimetres(scaleMm + kind.behindSaddleMm + kind.headMm),
      slotWidth: null,
    };
  });
  return { family: kind.family, anchor: kind.anchor, a4: CONCERT_A4, seats };
}
