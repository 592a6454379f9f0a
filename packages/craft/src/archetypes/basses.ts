import { evenSlots, type Sketch } from '../instrument/index.js';
import type { Archetype } from './archetype.js';
import { clamps, splitPosts, straightPosts } from './layouts.js';

const FOUR = ['G2', 'D2', 'A1', 'E1'];
const FIVE = [...FOUR, 'B0'];
const SIX = ['C3', ...FIVE];
const GAUGES = [45, 65, 85, 105];
const GAUGES_FIVE = [...GAUGES, 130];

const fourSlots = evenSlots(4, 31);
const fiveSlots = evenSlots(5, 37);
const flat: Pick<Sketch, 'family' | 'headstockDeg' | 'gearRatio'> = { family: 'bass', headstockDeg: 0, gearRatio: 20 };

const inLine: Omit<Sketch, 'posts' | 'trees' | 'anchor' | 'behindSaddleMm'> = {
  ...flat,
  notes: FOUR,
  scaleMm: 864,
  nutWidthMm: 41,
  slotsMm: fourSlots,
  slotGauges: GAUGES,
  layout: 'in-line',
  faceDropMm: 12,
};

export const BASSES: readonly Archetype[] = [
  {
    id: 'bass-in-line',
    name: 'Bass, four in line',
    facts: 'four in line, flat headstock, slotted posts, top-load bridge',
    sketch: {
      ...inLine,
      posts: straightPosts(fourSlots, 0, { firstMm: 58, pitchMm: 39 }, { style: 'slotted', diameterMm: 13, depthMm: 13 }, [11]),
      trees: [{ alongMm: 75, dropMm: 6, strings: [0, 1] }],
      anchor: 'top-load',
      behindSaddleMm: 12,
    },
  },
  {
    id: 'bass-in-line-reversed',
    name: 'Bass, four in line, reversed',
    facts: 'four in line reversed, flat headstock, slotted posts, strings through the body',
    sketch: {
      ...inLine,
      posts: straightPosts(fourSlots, 4, { firstMm: 58, pitchMm: 39 }, { style: 'slotted', diameterMm: 13, depthMm: 13 }, [11]),
      trees: [
        { alongMm: 70, dropMm: 5.5, strings: [1] },
        { alongMm: 75, dropMm: 6, strings: [2, 3] },
      ],
      anchor: 'through-body',
      behindSaddleMm: 25,
    },
  },
  {
    id: 'bass-short',
    name: 'Bass, short, split',
    facts: 'split headstock, slotted posts, top-load bridge',
    sketch: {
      ...flat,
      notes: FOUR,
      scaleMm: 762,
      nutWidthMm: 40,
      slotsMm: fourSlots,
      slotGauges: GAUGES,
      layout: 'split',
      headstockDeg: 12,
      faceDropMm: 4,
      posts: splitPosts([2, 2], 60, 48, [22, 28], { style: 'slotted', diameterMm: 11, holeMm: 12, depthMm: 12 }),
      anchor: 'top-load',
      behindSaddleMm: 12,
    },
  },
  {
    id: 'bass-five',
    name: 'Bass, five, four and one',
    facts: 'headstock split four and one, flat with a retainer bar, strings through the body',
    sketch: {
      ...inLine,
      notes: FIVE,
      nutWidthMm: 46,
      slotsMm: fiveSlots,
      slotGauges: GAUGES_FIVE,
      layout: 'split',
      faceDropMm: 11,
      posts: straightPosts(fiveSlots, 1, { firstMm: 55, pitchMm: 36 }, { style: 'slotted', diameterMm: 10, depthMm: 12 }, [11]),
      trees: [{ kind: 'bar', alongMm: 20, dropMm: 4, strings: [0, 1, 2, 3, 4] }],
      anchor: 'through-body',
      behindSaddleMm: 25,
    },
  },
  {
    id: 'bass-five-two-three',
    name: 'Bass, five, three and two',
    facts: 'headstock split three and two, slotted posts, top-load bridge',
    sketch: {
      ...inLine,
      notes: FIVE,
      nutWidthMm: 46,
      slotsMm: fiveSlots,
      slotGauges: GAUGES_FIVE,
      layout: 'split',
      headstockDeg: 10,
      faceDropMm: 5,
      posts: splitPosts([2, 3], 52, 42, [23, 31], { style: 'slotted', diameterMm: 10, holeMm: 11, depthMm: 12 }),
      anchor: 'top-load',
      behindSaddleMm: 12,
    },
  },
  {
    id: 'bass-six',
    name: 'Bass, six',
    facts: 'split headstock, slotted posts, top-load bridge',
    sketch: {
      ...flat,
      notes: SIX,
      scaleMm: 889,
      nutWidthMm: 54,
      slotsMm: evenSlots(6, 46),
      slotGauges: [30, ...GAUGES_FIVE],
      layout: 'split',
      headstockDeg: 10,
      faceDropMm: 5,
      posts: splitPosts([3, 3], 50, 40, [24, 32], { style: 'slotted', diameterMm: 10, holeMm: 11, depthMm: 12 }),
      anchor: 'top-load',
      behindSaddleMm: 12,
    },
  },
  {
    id: 'bass-headless',
    name: 'Bass, headless',
    facts: 'no headstock, clamps at the head, screw tuners at the bridge',
    sketch: {
      ...inLine,
      layout: 'headless',
      faceDropMm: 2,
      posts: clamps(fourSlots, 9, 11),
      anchor: 'headless',
      behindSaddleMm: 30,
      screwTunerMm: { travel: 18, lead: 0.8 },
      gearRatio: 1,
    },
  },
];
