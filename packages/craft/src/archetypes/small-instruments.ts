import { evenSlots, pairedSlots, type Sketch } from '../instrument/index.js';
import type { Archetype } from './archetype.js';
import { splitPosts, type Shape } from './layouts.js';

const ukulele = (
  id: string,
  size: string,
  facts: string,
  [firstMm, pitchMm, sideMm]: readonly [number, number, readonly [number, number]],
  shape: Shape,
  more: Pick<Sketch, 'scaleMm' | 'nutWidthMm' | 'slotGauges' | 'headstockDeg' | 'anchor' | 'gearRatio'> & {
    notes?: readonly string[];
    outerMm: number;
  },
): Archetype => {
  const { outerMm, ...sketch } = more;
  return {
    id,
    name: `Ukulele, ${size}`,
    facts,
    sketch: {
      family: 'ukulele',
      notes: ['A4', 'E4', 'C4', 'G4'],
      ...sketch,
      slotsMm: evenSlots(4, outerMm),
      layout: 'split',
      faceDropMm: 4,
      posts: splitPosts([2, 2], firstMm, pitchMm, sideMm, shape),
      behindSaddleMm: 12,
    },
  };
};

const geared: Shape = { style: 'through', diameterMm: 6, holeMm: 9 };

export const UKULELES: readonly Archetype[] = [
  ukulele(
    'ukulele-soprano',
    'soprano',
    'split headstock, friction pegs that point back, knots in slots',
    [34, 36, [17, 20]],
    { style: 'friction', diameterMm: 7, holeMm: 10 },
    { scaleMm: 345, nutWidthMm: 35, outerMm: 28, slotGauges: [20, 25, 29, 21], headstockDeg: 11, anchor: 'knot-in-slot', gearRatio: 1 },
  ),
  ukulele('ukulele-concert', 'concert', 'split headstock, side-hole posts, tie block with four holes', [36, 36, [17, 21]], geared, {
    scaleMm: 381,
    nutWidthMm: 36,
    outerMm: 29,
    slotGauges: [24, 32, 40, 28],
    headstockDeg: 11,
    anchor: 'tie-block',
    gearRatio: 14,
  }),
  ukulele('ukulele-tenor', 'tenor', 'split headstock, side-hole posts, wrap-and-tuck tie bridge', [38, 38, [18, 22]], geared, {
    scaleMm: 432,
    nutWidthMm: 36,
    outerMm: 29,
    slotGauges: [22, 26, 31, 24],
    headstockDeg: 12,
    anchor: 'wrap-and-tuck',
    gearRatio: 14,
  }),
  ukulele('ukulele-baritone', 'baritone', 'split headstock, side-hole posts, tie block with four holes', [40, 38, [18, 22]], geared, {
    notes: ['E4', 'B3', 'G3', 'D3'],
    scaleMm: 508,
    nutWidthMm: 37,
    outerMm: 30,
    slotGauges: [26, 32, 30, 36],
    headstockDeg: 12,
    anchor: 'tie-block',
    gearRatio: 14,
  }),
  {
    id: 'ukulele-six',
    name: 'Ukulele, baritone with six strings',
    facts: 'split headstock, side-hole posts, tie block with six holes',
    sketch: {
      family: 'ukulele',
      notes: ['A4', 'E4', 'C4', 'G3', 'D3', 'A2'],
      scaleMm: 508,
      nutWidthMm: 46,
      slotsMm: evenSlots(6, 38),
      slotGauges: [22, 28, 34, 28, 32, 36],
      layout: 'split',
      headstockDeg: 12,
      faceDropMm: 4,
      posts: splitPosts([3, 3], 38, 34, [20, 25], geared),
      anchor: 'tie-block',
      behindSaddleMm: 12,
      gearRatio: 14,
    },
  },
  {
    id: 'ukulele-eight',
    name: 'Ukulele, tenor with eight strings',
    facts: 'split headstock, eight strings in four courses, side-hole posts, tie block with eight holes',
    sketch: {
      family: 'ukulele',
      notes: ['A4', 'A4', 'E4', 'E4', 'C4', 'C5', 'G3', 'G4'],
      courses: [2, 2, 2, 2],
      scaleMm: 432,
      nutWidthMm: 40,
      slotsMm: pairedSlots(4, 33, 2.2),
      slotGauges: [24, 24, 28, 28, 34, 22, 30, 24],
      layout: 'split',
      headstockDeg: 12,
      faceDropMm: 4,
      posts: splitPosts([4, 4], 30, 22, [18, 23], { style: 'through', diameterMm: 5.8, holeMm: 8.5 }),
      anchor: 'tie-block',
      behindSaddleMm: 12,
      gearRatio: 14,
    },
  },
];

/** Posts are waisted: so thick is one where its string lies. */
const WAIST: Shape = { style: 'through', diameterMm: 4.2, holeMm: 7.5 };

const mandolin = (
  id: string,
  name: string,
  notes: readonly [string, string, string, string],
  slotGauges: readonly number[],
  [firstMm, sideMm]: readonly [number, readonly [number, number]],
  more: Pick<Sketch, 'scaleMm' | 'nutWidthMm'> & { outerMm: number },
): Archetype => {
  const { outerMm, ...sketch } = more;
  return {
    id,
    name,
    facts: 'split headstock, eight strings in four courses, hooked tailpiece, loose bridge',
    sketch: {
      family: 'mandolin',
      notes: notes.flatMap((note) => [note, note]),
      courses: [2, 2, 2, 2],
      ...sketch,
      slotsMm: pairedSlots(4, outerMm, 2.2),
      slotGauges,
      layout: 'split',
      headstockDeg: 15,
      faceDropMm: 3,
      posts: splitPosts([4, 4], firstMm, 23.5, sideMm, WAIST),
      anchor: 'hooked-tailpiece',
      cover: true,
      behindSaddleMm: 110,
      gearRatio: 16,
    },
  };
};

export const MANDOLINS: readonly Archetype[] = [
  mandolin('mandolin', 'Mandolin', ['E5', 'A4', 'D4', 'G3'], [11, 11, 15, 15, 26, 26, 40, 40], [32, [16, 22]], {
    scaleMm: 353,
    nutWidthMm: 29,
    outerMm: 23,
  }),
  mandolin('mandola', 'Mandola', ['A4', 'D4', 'G3', 'C3'], [14, 14, 23, 23, 35, 35, 49, 49], [34, [17, 23]], {
    scaleMm: 432,
    nutWidthMm: 31,
    outerMm: 25,
  }),
  mandolin('octave-mandolin', 'Octave mandolin', ['E4', 'A3', 'D3', 'G2'], [12, 12, 20, 20, 32, 32, 46, 46], [36, [17, 23]], {
    scaleMm: 533,
    nutWidthMm: 33,
    outerMm: 27,
  }),
];

const planetary: Shape = { style: 'planetary', diameterMm: 6.3, holeMm: 10 };

export const BANJOS: readonly Archetype[] = [
  {
    id: 'banjo-five-string',
    name: 'Banjo, five-string',
    facts: 'split headstock, planetary pegs, fifth peg at the fifth fret, hooked tailpiece, loose bridge',
    sketch: {
      family: 'banjo',
      notes: ['D4', 'B3', 'G3', 'D3', 'G4'],
      scaleMm: [670, 670, 670, 670, 502],
      nutWidthMm: 32,
      slotsMm: [...evenSlots(4, 25), 14.5],
      slotGauges: [10, 11, 13, 21, 10],
      layout: 'split',
      headstockDeg: 14,
      faceDropMm: 4,
      posts: [
        ...splitPosts([2, 2], 40, 42, [18, 22], planetary),
        { style: 'side-peg', side: 'bass', alongMm: 24, sidewaysMm: 25, diameterMm: 5.5, holeMm: 0, pipMm: 168 },
      ],
      anchor: 'hooked-tailpiece',
      behindSaddleMm: 110,
      gearRatio: 4,
    },
  },
  {
    id: 'banjo-tenor',
    name: 'Banjo, tenor',
    facts: 'split headstock, planetary pegs, hooked tailpiece, loose bridge',
    sketch: {
      family: 'banjo',
      notes: ['A4', 'D4', 'G3', 'C3'],
      scaleMm: 580,
      nutWidthMm: 31,
      slotsMm: evenSlots(4, 24),
      slotGauges: [9, 14, 23, 32],
      layout: 'split',
      headstockDeg: 14,
      faceDropMm: 4,
      posts: splitPosts([2, 2], 40, 42, [18, 22], planetary),
      anchor: 'hooked-tailpiece',
      behindSaddleMm: 110,
      gearRatio: 4,
    },
  },
];
