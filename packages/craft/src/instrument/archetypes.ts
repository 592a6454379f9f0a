import { buildInstrument, evenSlots, pairedSlots, type Sketch, type SketchPost } from './build.js';
import type { Instrument } from './geometry.js';

/** Typical geometry of a kind, to start from until an instrument has been measured. */
export interface Archetype {
  id: string;
  name: string;
  /** As one says it of a single instrument: 'split headstock, side-hole posts, pinned bridge'. */
  facts: string;
  sketch: Sketch;
}

type Shape = Omit<SketchPost, 'side' | 'alongMm' | 'sidewaysMm'>;

/** Posts of a split headstock: string 1 and the lowest stand nearest the nut. `sideMm` runs from the nearest post to the farthest. */
function splitPosts(
  perSide: number,
  firstMm: number,
  pitchMm: number,
  [nearMm, farMm]: readonly [number, number],
  shape: Shape,
): SketchPost[] {
  const treble = Array.from({ length: perSide }, (_, index): SketchPost => ({
    ...shape,
    side: 'treble',
    alongMm: firstMm + pitchMm * index,
    sidewaysMm: -(nearMm + ((farMm - nearMm) * index) / (perSide - 1)),
  }));
  const bass = treble.map((post): SketchPost => ({ ...post, side: 'bass', sidewaysMm: -post.sidewaysMm })).reverse();
  return [...treble, ...bass];
}

/** Posts of an in-line headstock on the bass side, the lowest string nearest the nut, each set so that its string runs straight over the nut. */
function inLinePosts(
  slotsMm: readonly number[],
  firstMm: number,
  pitchMm: number,
  holesMm: readonly number[],
  shape: Omit<Shape, 'holeMm'>,
): SketchPost[] {
  return slotsMm.map((slotMm, index) => ({
    ...shape,
    side: 'bass',
    alongMm: firstMm + pitchMm * (slotsMm.length - 1 - index),
    sidewaysMm: slotMm + shape.diameterMm / 2,
    holeMm: holesMm[index] ?? holesMm[0] ?? 0,
  }));
}

const electricSlots = evenSlots(6, 35);
const bassSlots = evenSlots(4, 31);
const rollers = splitPosts(3, 42, 35, [15, 15], { style: 'roller', diameterMm: 10, holeMm: -9 });

export const ARCHETYPES: readonly Archetype[] = [
  {
    id: 'acoustic-parlour',
    name: 'Flat-top acoustic, parlour',
    facts: 'split headstock, side-hole posts, pinned bridge',
    sketch: {
      family: 'acoustic',
      notes: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'],
      scaleMm: 632,
      nutWidthMm: 44,
      slotsMm: evenSlots(6, 37.5),
      slotGauges: [12, 16, 24, 32, 42, 53],
      layout: 'split',
      headstockDeg: 14,
      faceDropMm: 4,
      posts: splitPosts(3, 50, 42, [23, 29], { style: 'through', diameterMm: 6, holeMm: 9.5 }),
      anchor: 'pins',
      behindSaddleMm: 20,
      gearRatio: 16,
    },
  },
  {
    id: 'electric-in-line',
    name: 'Electric, six in line',
    facts: 'six in line, flat headstock, side-hole posts, vibrato resting on the body',
    sketch: {
      family: 'electric',
      notes: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'],
      scaleMm: 648,
      nutWidthMm: 42,
      slotsMm: electricSlots,
      slotGauges: [10, 13, 17, 26, 36, 46],
      layout: 'in-line',
      headstockDeg: 0,
      faceDropMm: 11,
      posts: inLinePosts(electricSlots, 38, 25, [8.5, 9, 9.5, 10, 10.5, 11], { style: 'through', diameterMm: 6.3 }),
      trees: [
        { alongMm: 52, dropMm: 4, strings: [0, 1] },
        { alongMm: 84, dropMm: 5, strings: [2, 3] },
      ],
      anchor: 'resting-vibrato',
      behindSaddleMm: 45,
      gearRatio: 14,
    },
  },
  {
    id: 'bass-in-line',
    name: 'Bass, four in line',
    facts: 'four in line, flat headstock, slotted posts, top-load bridge',
    sketch: {
      family: 'bass',
      notes: ['G2', 'D2', 'A1', 'E1'],
      scaleMm: 864,
      nutWidthMm: 41,
      slotsMm: bassSlots,
      slotGauges: [45, 65, 85, 105],
      layout: 'in-line',
      headstockDeg: 0,
      faceDropMm: 12,
      posts: inLinePosts(bassSlots, 58, 39, [11], { style: 'slotted', diameterMm: 13, depthMm: 13 }),
      trees: [{ alongMm: 75, dropMm: 6, strings: [0, 1] }],
      anchor: 'top-load',
      behindSaddleMm: 12,
      gearRatio: 20,
    },
  },
  {
    id: 'classical',
    name: 'Classical',
    facts: 'slotted headstock, rollers, tie block with six holes',
    sketch: {
      family: 'classical',
      notes: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'],
      scaleMm: 650,
      nutWidthMm: 52,
      slotsMm: evenSlots(6, 43),
      slotGauges: [28, 32, 40, 29, 35, 43],
      layout: 'slotted',
      headstockDeg: 12,
      faceDropMm: 4,
      // the outer strings wind toward the outside of their rollers, the inner four toward the inside, so that none rub
      posts: rollers.map((post, index) => (index === 0 || index === 5 ? { ...post, sidewaysMm: post.sidewaysMm * 1.4 } : post)),
      anchor: 'tie-block',
      behindSaddleMm: 12,
      gearRatio: 14,
    },
  },
  {
    id: 'ukulele-concert',
    name: 'Ukulele, concert',
    facts: 'split headstock, side-hole posts, tie block with four holes',
    sketch: {
      family: 'ukulele',
      notes: ['A4', 'E4', 'C4', 'G4'],
      scaleMm: 381,
      nutWidthMm: 36,
      slotsMm: evenSlots(4, 29),
      slotGauges: [24, 32, 40, 28],
      layout: 'split',
      headstockDeg: 11,
      faceDropMm: 4,
      posts: splitPosts(2, 36, 36, [17, 21], { style: 'through', diameterMm: 6, holeMm: 9 }),
      anchor: 'tie-block',
      behindSaddleMm: 12,
      gearRatio: 14,
    },
  },
  {
    id: 'mandolin',
    name: 'Mandolin',
    facts: 'split headstock, eight strings in four courses, hooked tailpiece, loose bridge',
    sketch: {
      family: 'mandolin',
      notes: ['E5', 'E5', 'A4', 'A4', 'D4', 'D4', 'G3', 'G3'],
      courses: [2, 2, 2, 2],
      scaleMm: 353,
      nutWidthMm: 29,
      slotsMm: pairedSlots(4, 23, 2.2),
      slotGauges: [11, 11, 15, 15, 26, 26, 40, 40],
      layout: 'split',
      headstockDeg: 15,
      faceDropMm: 3,
      posts: splitPosts(4, 32, 23.5, [16, 22], { style: 'through', diameterMm: 5.8, holeMm: 7.5 }),
      anchor: 'hooked-tailpiece',
      behindSaddleMm: 110,
      gearRatio: 16,
    },
  },
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
        ...splitPosts(2, 40, 42, [18, 22], { style: 'through', diameterMm: 6.3, holeMm: 10 }),
        { style: 'side-peg', side: 'bass', alongMm: 24, sidewaysMm: 25, diameterMm: 5.5, holeMm: 0, pipMm: 168 },
      ],
      anchor: 'hooked-tailpiece',
      behindSaddleMm: 110,
      gearRatio: 4,
    },
  },
];

export const archetype = (id: string): Archetype | undefined => ARCHETYPES.find((candidate) => candidate.id === id);

/** @throws RangeError for an unknown id. */
export function instrumentOf(id: string): Instrument {
  const found = archetype(id);
  if (found === undefined) throw new RangeError(`no archetype ${id}`);
  return buildInstrument(found.sketch);
}
