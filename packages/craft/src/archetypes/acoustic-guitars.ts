import { evenSlots, pairedSlots, type Sketch } from '../instrument/index.js';
import type { Archetype } from './archetype.js';
import { E_STANDARD, sideHole, splitPosts } from './layouts.js';

const MEDIUM = [12, 16, 24, 32, 42, 53];

const flatTop: Pick<
  Sketch,
  'family' | 'notes' | 'slotGauges' | 'layout' | 'headstockDeg' | 'faceDropMm' | 'anchor' | 'behindSaddleMm' | 'gearRatio'
> = {
  family: 'acoustic',
  notes: E_STANDARD,
  slotGauges: MEDIUM,
  layout: 'split',
  headstockDeg: 14,
  faceDropMm: 4,
  anchor: 'pins',
  behindSaddleMm: 20,
  gearRatio: 16,
};

const classicalRollers = (count: number, firstMm: number, pitchMm: number) =>
  splitPosts([count, count], firstMm, pitchMm, [16, 16], { style: 'roller', diameterMm: 10, holeMm: -9 });

export const ACOUSTIC_GUITARS: readonly Archetype[] = [
  {
    id: 'acoustic-parlour',
    name: 'Flat-top acoustic, parlour',
    facts: 'split headstock, side-hole posts, pinned bridge',
    sketch: {
      ...flatTop,
      scaleMm: 632,
      nutWidthMm: 44,
      slotsMm: evenSlots(6, 37.5),
      posts: splitPosts([3, 3], 50, 42, [23, 29], sideHole(6, 9.5)),
    },
  },
  {
    id: 'acoustic-large',
    name: 'Flat-top acoustic, large',
    facts: 'split headstock, side-hole posts, pinned bridge',
    sketch: {
      ...flatTop,
      scaleMm: 645,
      nutWidthMm: 43,
      slotsMm: evenSlots(6, 36.5),
      posts: splitPosts([3, 3], 46, 41, [23, 29], sideHole(6.3, 9.5)),
    },
  },
  {
    id: 'acoustic-twelve',
    name: 'Flat-top acoustic, twelve-string',
    facts: 'split headstock, twelve strings in six courses, side-hole posts, pinned bridge',
    sketch: {
      ...flatTop,
      notes: ['E4', 'E4', 'B3', 'B3', 'G3', 'G4', 'D3', 'D4', 'A2', 'A3', 'E2', 'E3'],
      courses: [2, 2, 2, 2, 2, 2],
      scaleMm: 645,
      nutWidthMm: 48,
      slotsMm: pairedSlots(6, 40, 2.1),
      slotGauges: [10, 10, 14, 14, 23, 8, 30, 12, 39, 18, 47, 27],
      headstockDeg: 13,
      posts: splitPosts([6, 6], 38, 24, [25, 30], sideHole(6.3, 9)),
      gearRatio: 14,
    },
  },
  {
    id: 'acoustic-slotted',
    name: 'Flat-top acoustic, slotted headstock',
    facts: 'slotted headstock, rollers, pinned bridge',
    sketch: {
      ...flatTop,
      scaleMm: 632,
      nutWidthMm: 46,
      slotsMm: evenSlots(6, 39),
      layout: 'slotted',
      rollerSlotsMm: { inner: 8, outer: 23 },
      posts: classicalRollers(3, 42, 35),
      gearRatio: 14,
    },
  },
  {
    id: 'classical',
    name: 'Classical',
    facts: 'slotted headstock, rollers, tie block with six holes',
    sketch: {
      family: 'classical',
      notes: E_STANDARD,
      scaleMm: 650,
      nutWidthMm: 52,
      slotsMm: evenSlots(6, 43),
      slotGauges: [28, 32, 40, 29, 35, 43],
      layout: 'slotted',
      headstockDeg: 12,
      faceDropMm: 4,
      rollerSlotsMm: { inner: 8, outer: 24 },
      posts: classicalRollers(3, 42, 35),
      anchor: 'tie-block',
      behindSaddleMm: 12,
      gearRatio: 14,
    },
  },
];
