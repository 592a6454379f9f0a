import { CONCERT_A4, fromDegrees, fromInches, fromMillimetres, metres, type Metres } from '../units/index.js';
import type { Family } from '../string-kinds/index.js';
import type { AnchorKind, Hand, HeadstockLayout, Instrument, Post, PostStyle, Side, TieHoles, Tree } from './geometry.js';

/** An instrument in the words of a workshop list: millimetres, degrees and thousandths of an inch, string 1 first. */
export interface Sketch {
  family: Family;
  hand?: Hand;
  notes: readonly string[];
  /** Strings per course, from the high side; one each when left out. */
  courses?: readonly number[];
  /** One scale for all, or one for each string. */
  scaleMm: number | readonly number[];
  nutWidthMm: number;
  slotsMm: readonly number[];
  /** Slots are cut for these gauges, with room to slide. */
  slotGauges: readonly number[];
  layout: HeadstockLayout;
  headstockDeg: number;
  faceDropMm: number;
  rollerSlotsMm?: { inner: number; outer: number };
  posts: readonly SketchPost[];
  trees?: readonly SketchTree[];
  anchor: AnchorKind;
  behindSaddleMm: number;
  tieHoles?: TieHoles;
  cover?: boolean;
  vibrato?: boolean;
  screwTunerMm?: { travel: number; lead: number };
  gearRatio: number;
}

export interface SketchTree {
  kind?: Tree['kind'];
  alongMm: number;
  dropMm: number;
  strings: readonly number[];
}

export interface SketchPost {
  style: PostStyle;
  side: Side;
  alongMm: number;
  sidewaysMm: number;
  diameterMm: number;
  holeMm: number;
  depthMm?: number;
  pipMm?: number;
}

/** Room that a slot cut with the usual files leaves round its string. */
const SLOT_ROOM_MM = 0.08;

/** @throws RangeError if the lists do not have one entry for each string: a sketch is ours. */
export function buildInstrument(sketch: Sketch): Instrument {
  const count = sketch.notes.length;
  for (const list of [sketch.slotsMm, sketch.slotGauges, sketch.posts]) {
    if (list.length !== count) throw new RangeError(`${count} strings, but ${list.length} of something`);
  }
  const { rollerSlotsMm: slots, screwTunerMm: screw } = sketch;
  return {
    family: sketch.family,
    hand: sketch.hand ?? 'right',
    nutWidth: fromMillimetres(sketch.nutWidthMm),
    headstock: {
      layout: sketch.layout,
      angle: fromDegrees(sketch.headstockDeg),
      faceDrop: fromMillimetres(sketch.faceDropMm),
      rollerSlots: slots === undefined ? null : { inner: fromMillimetres(slots.inner), outer: fromMillimetres(slots.outer) },
    },
    trees: (sketch.trees ?? []).map(({ kind, alongMm, dropMm, strings }): Tree => ({
      kind: kind ?? 'tree',
      along: fromMillimetres(alongMm),
      drop: fromMillimetres(dropMm),
      strings,
    })),
    bridge: {
      anchor: sketch.anchor,
      behindSaddle: fromMillimetres(sketch.behindSaddleMm),
      tieHoles: sketch.tieHoles ?? 'single',
      cover: sketch.cover ?? false,
      vibrato: sketch.vibrato ?? false,
    },
    screwTuner: screw === undefined ? null : { travel: fromMillimetres(screw.travel), lead: fromMillimetres(screw.lead) },
    gearRatio: sketch.gearRatio,
    a4: CONCERT_A4,
    top: null,
    board: null,
    strings: sketch.notes.map((note, index) => ({
      note,
      frequency: null,
      course: courseOf(sketch.courses ?? sketch.notes.map(() => 1), index),
      scaleLength: scaleOf(sketch.scaleMm, index),
      slotSideways: fromMillimetres(at(sketch.slotsMm, index)),
      slotWidth: metres(fromInches(at(sketch.slotGauges, index) / 1000) + fromMillimetres(SLOT_ROOM_MM)),
      post: buildPost(at(sketch.posts, index)),
    })),
  };
}

const buildPost = (post: SketchPost): Post => ({
  style: post.style,
  side: post.side,
  along: fromMillimetres(post.alongMm),
  sideways: fromMillimetres(post.sidewaysMm),
  diameter: fromMillimetres(post.diameterMm),
  holeHeight: fromMillimetres(post.holeMm),
  holeDepth: post.depthMm === undefined ? null : fromMillimetres(post.depthMm),
  pipAlong: post.pipMm === undefined ? null : fromMillimetres(post.pipMm),
});

function courseOf(sizes: readonly number[], index: number): number {
  let last = -1;
  return sizes.findIndex((size) => index <= (last += size)) + 1;
}

const scaleOf = (scale: Sketch['scaleMm'], index: number): Metres => fromMillimetres(typeof scale === 'number' ? scale : at(scale, index));

function at<T>(list: readonly T[], index: number): T {
  const entry = list[index];
  if (entry === undefined) throw new RangeError(`nothing at ${index}`);
  return entry;
}

/** Slots of evenly spaced strings, string 1 on the treble side (negative). */
export const evenSlots = (count: number, outerMm: number): number[] =>
  Array.from({ length: count }, (_, index) => -outerMm / 2 + (outerMm * index) / (count - 1));

/** Slots of evenly spaced pairs. */
export const pairedSlots = (courses: number, outerMm: number, pairMm: number): number[] =>
  Array.from({ length: courses }, (_, index) => -outerMm / 2 + ((outerMm - pairMm) * index) / (courses - 1)).flatMap((left) => [
    left,
    left + pairMm,
  ]);
