import { evenSlots, type Sketch } from '../instrument/index.js';
import type { Archetype } from './archetype.js';
import { clamps, E_STANDARD, sideHole, splitPosts, straightPosts } from './layouts.js';

const LIGHT = [10, 13, 17, 26, 36, 46];

const electricSlots = evenSlots(6, 35);
const splitSlots = evenSlots(6, 36);
/** Holes fall toward string 1, so that strings whose posts stand far from the nut break over it by their posts rather than by a tree alone. */
const STAGGERED = [8, 8.5, 9, 9.5, 10, 11];
/** Trees for strings 1 and 2, and for 3 and 4, of a flat headstock. */
const TREES = [
  { alongMm: 52, dropMm: 4, strings: [0, 1] },
  { alongMm: 84, dropMm: 5, strings: [2, 3] },
];

export const inLine: Omit<Sketch, 'anchor' | 'behindSaddleMm'> = {
  family: 'electric',
  notes: E_STANDARD,
  scaleMm: 648,
  nutWidthMm: 42,
  slotsMm: electricSlots,
  slotGauges: LIGHT,
  layout: 'in-line',
  headstockDeg: 0,
  faceDropMm: 11,
  posts: straightPosts(electricSlots, 0, { firstMm: 38, pitchMm: 25 }, { style: 'through', diameterMm: 6.3 }, STAGGERED),
  trees: TREES,
  gearRatio: 14,
};

export const split: Omit<Sketch, 'anchor' | 'behindSaddleMm'> = {
  family: 'electric',
  notes: E_STANDARD,
  scaleMm: 628,
  nutWidthMm: 43,
  slotsMm: splitSlots,
  slotGauges: LIGHT,
  layout: 'split',
  headstockDeg: 16,
  faceDropMm: 4,
  posts: splitPosts([3, 3], 42, 38, [20, 26], sideHole(6, 10)),
  gearRatio: 14,
};

export const ELECTRIC_GUITARS: readonly Archetype[] = [
  {
    id: 'electric-in-line',
    name: 'Electric, six in line',
    facts: 'six in line, flat headstock, side-hole posts, vibrato resting on the body',
    sketch: { ...inLine, anchor: 'resting-vibrato', behindSaddleMm: 45 },
  },
  {
    id: 'electric-in-line-slotted',
    name: 'Electric, six in line, slotted posts',
    facts: 'six in line, flat headstock, slotted posts, strings through the body',
    sketch: {
      ...inLine,
      posts: straightPosts(
        electricSlots,
        0,
        { firstMm: 38, pitchMm: 25 },
        { style: 'slotted', diameterMm: 7.1, depthMm: 11 },
        [8, 8.5, 9, 9.5, 10, 10],
      ),
      anchor: 'through-body',
      behindSaddleMm: 25,
    },
  },
  {
    id: 'electric-in-line-locking',
    name: 'Electric, six in line, locking posts',
    facts: 'six in line, flat headstock, locking posts, floating vibrato',
    sketch: {
      ...inLine,
      posts: straightPosts(electricSlots, 0, { firstMm: 38, pitchMm: 25 }, { style: 'locking', diameterMm: 6 }, [5.5, 6, 6.5, 7, 7.5, 8]),
      anchor: 'floating-vibrato',
      behindSaddleMm: 45,
      gearRatio: 18,
    },
  },
  {
    id: 'electric-split',
    name: 'Electric, split headstock',
    facts: 'split headstock, side-hole posts, stop tailpiece',
    sketch: { ...split, anchor: 'stop-tailpiece', behindSaddleMm: 52 },
  },
  {
    id: 'electric-wrap-around',
    name: 'Electric, split headstock, wrap-around bridge',
    facts: 'split headstock, side-hole posts, wrap-around bridge',
    sketch: { ...split, anchor: 'wrap-around', behindSaddleMm: 18 },
  },
  {
    id: 'electric-four-two',
    name: 'Electric, four and two',
    facts: 'headstock split four and two, flat, top-load bridge',
    sketch: {
      ...inLine,
      layout: 'split',
      faceDropMm: 10,
      posts: straightPosts(electricSlots, 2, { firstMm: 40, pitchMm: 26 }, { style: 'through', diameterMm: 6.3 }, [7, 7.5, 8.5, 9, 9, 10]),
      trees: [{ alongMm: 62, dropMm: 5, strings: [2, 3] }],
      anchor: 'top-load',
      behindSaddleMm: 12,
    },
  },
  {
    id: 'electric-double-locking',
    name: 'Electric, double-locking',
    facts: 'six in line reversed, locking nut and retainer bar, double-locking vibrato',
    sketch: {
      ...inLine,
      headstockDeg: 10,
      faceDropMm: 5,
      posts: straightPosts(electricSlots, 6, { firstMm: 45, pitchMm: 25 }, { style: 'through', diameterMm: 6 }, [9]),
      trees: [{ kind: 'bar', alongMm: 18, dropMm: 4, strings: [0, 1, 2, 3, 4, 5] }],
      anchor: 'double-locking',
      behindSaddleMm: 8,
      gearRatio: 16,
    },
  },
  {
    id: 'electric-headless',
    name: 'Electric, headless',
    facts: 'no headstock, clamps at the head, screw tuners at a vibrato bridge',
    sketch: {
      ...inLine,
      layout: 'headless',
      posts: clamps(electricSlots, 8, 9),
      trees: [],
      faceDropMm: 2,
      anchor: 'headless',
      vibrato: true,
      behindSaddleMm: 25,
      screwTunerMm: { travel: 16, lead: 0.7 },
      gearRatio: 1,
    },
  },
  {
    id: 'electric-baritone',
    name: 'Baritone electric',
    facts: 'six in line, flat headstock, side-hole posts, strings through the body',
    sketch: {
      ...inLine,
      notes: ['B3', 'F♯3', 'D3', 'A2', 'E2', 'B1'],
      scaleMm: 686,
      nutWidthMm: 43,
      slotsMm: splitSlots,
      slotGauges: [13, 17, 26, 36, 46, 62],
      posts: straightPosts(splitSlots, 0, { firstMm: 38, pitchMm: 25 }, { style: 'through', diameterMm: 6.3 }, [9]),
      anchor: 'through-body',
      behindSaddleMm: 25,
    },
  },
];
