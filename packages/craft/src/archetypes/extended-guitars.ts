import { evenSlots } from '../instrument/index.js';
import type { Archetype } from './archetype.js';
import { inLine, split } from './electric-guitars.js';
import { E_STANDARD, sideHole, splitPosts, straightPosts, type Shape } from './layouts.js';

const SEVEN = [...E_STANDARD, 'B1'];
const EIGHT = [...SEVEN, 'F♯1'];
const LIGHT_SEVEN = [10, 13, 17, 26, 36, 46, 59];
const LIGHT_EIGHT = [9, 11, 16, 24, 32, 42, 54, 65];
const locking: Shape = { style: 'locking', diameterMm: 6, holeMm: 8.5 };

const sevenSlots = evenSlots(7, 42);
const eightSlots = evenSlots(8, 49);

/** Electric guitars of seven and eight strings. */
export const EXTENDED_GUITARS: readonly Archetype[] = [
  {
    id: 'electric-seven',
    name: 'Electric, seven, multiscale',
    facts: 'seven in line, locking posts, fixed top-load bridge, scales that fan out',
    sketch: {
      ...inLine,
      notes: SEVEN,
      scaleMm: [648, 654.3, 660.7, 667, 673.3, 679.7, 686],
      nutWidthMm: 48,
      slotsMm: sevenSlots,
      slotGauges: LIGHT_SEVEN,
      headstockDeg: 10,
      faceDropMm: 5,
      posts: straightPosts(sevenSlots, 0, { firstMm: 36, pitchMm: 24 }, { style: 'locking', diameterMm: 6 }, [8.5]),
      trees: [],
      anchor: 'top-load',
      behindSaddleMm: 12,
      gearRatio: 18,
    },
  },
  {
    id: 'electric-seven-split',
    name: 'Electric, seven, four and three',
    facts: 'headstock split four and three, side-hole posts, stop tailpiece',
    sketch: {
      ...split,
      notes: SEVEN,
      scaleMm: 648,
      nutWidthMm: 48,
      slotsMm: sevenSlots,
      slotGauges: LIGHT_SEVEN,
      headstockDeg: 13,
      posts: splitPosts([3, 4], 38, 33, [22, 29], sideHole(6, 9)),
      anchor: 'stop-tailpiece',
      behindSaddleMm: 52,
    },
  },
  {
    id: 'electric-seven-five-two',
    name: 'Electric, seven, five and two',
    facts: 'headstock split five and two, locking posts, floating vibrato',
    sketch: {
      ...inLine,
      notes: SEVEN,
      nutWidthMm: 48,
      slotsMm: sevenSlots,
      slotGauges: LIGHT_SEVEN,
      layout: 'split',
      headstockDeg: 8,
      faceDropMm: 5,
      posts: straightPosts(sevenSlots, 2, { firstMm: 38, pitchMm: 25 }, { style: 'locking', diameterMm: 6 }, [8]),
      trees: [],
      anchor: 'floating-vibrato',
      behindSaddleMm: 45,
      gearRatio: 18,
    },
  },
  {
    id: 'electric-eight',
    name: 'Electric, eight',
    facts: 'split headstock, locking posts, strings through the body',
    sketch: {
      ...split,
      notes: EIGHT,
      scaleMm: 673,
      nutWidthMm: 55,
      slotsMm: eightSlots,
      slotGauges: LIGHT_EIGHT,
      headstockDeg: 11,
      faceDropMm: 5,
      posts: splitPosts([4, 4], 40, 30, [20, 28], locking),
      anchor: 'through-body',
      behindSaddleMm: 25,
      gearRatio: 18,
    },
  },
  {
    id: 'electric-eight-in-line',
    name: 'Electric, eight in line',
    facts: 'eight in line, locking posts, fixed top-load bridge',
    sketch: {
      ...inLine,
      notes: EIGHT,
      scaleMm: 673,
      nutWidthMm: 55,
      slotsMm: eightSlots,
      slotGauges: LIGHT_EIGHT,
      headstockDeg: 9,
      faceDropMm: 5,
      posts: straightPosts(eightSlots, 0, { firstMm: 36, pitchMm: 23 }, { style: 'locking', diameterMm: 6 }, [8.5]),
      trees: [],
      anchor: 'top-load',
      behindSaddleMm: 12,
      gearRatio: 18,
    },
  },
];
