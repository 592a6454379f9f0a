import type { Instrument, Post } from '@gold-peg/craft/instrument';
import type { WindPlan } from '@gold-peg/craft/procedure';
import { turnHeight } from '@gold-peg/craft/post';
import { metres } from '@gold-peg/craft/units';
import type { Lane } from '../../lane/lane';

const MM = 1000;

export interface PostSidePicture {
  pxPerMm: number;
  /** Rotation of everything that stands on the face, degrees for SVG. */
  tilt: number;
  post: { x: number; y: number; width: number; height: number; base: { x: number; y: number; width: number; height: number } };
  origin: { x: number; y: number };
  hole: { y: number; radius: number } | null;
  /** What stands of the end: a tail out of a side hole, or the end down the middle of a slotted post. */
  end: { path: string; hidden: boolean };
  turns: { y: number; half: number; lean: number }[];
  /** The face under the post, and its rise to the nut: one piece, or two where the run is shortened. */
  face: string[];
  string: string;
  level: { x1: number; x2: number; y: number };
  angleAt: { x: number; y: number };
  nut: { x: number; y: number; width: number; height: number };
  board: { x: number; y: number; width: number; height: number };
  tree: { x: number; y: number; word: string } | null;
  /** What shows under the face or on top of the post: a peg's knob or gears behind it, a lock's screw. */
  parts: { x: number; y: number; width: number; height: number; round: number }[];
  thickness: number;
  shortened: boolean;
}

export interface Room {
  width: number;
  height: number;
}

/** Most turns that are drawn one by one. */
const MOST_TURNS = 60;
const RUN_PX = 170;

/**
 * The post from the side, to scale: its tilt, hole, stack of turns and the string's true angles. The run to the nut is shortened where it would not
 * fit, which changes no height and no angle on either side of the break. Null for pegs that do not stand on the face.
 */
export function layOutPostSide(instrument: Instrument, lane: Lane, plan: WindPlan, room: Room): PostSidePicture | null {
  const { post } = lane.place;
  if (plan.kind === 'clamp' || plan.nut === null || post.style === 'roller') return null;
  const above = post.holeHeight * MM + 5;
  const pxPerMm = Math.min(7.5, (room.height - 96) / (above + 7));
  const px = (metre: number) => metre * MM * pxPerMm;
  const beta = instrument.headstock.angle;
  const origin = { x: 72 + above * pxPerMm * Math.sin(beta), y: room.height - 44 };
  const exit = { x: origin.x - px(plan.exitHeight) * Math.sin(beta), y: origin.y - px(plan.exitHeight) * Math.cos(beta) };
  const nutLeg = plan.nut.vertical;
  const tree = instrument.trees.find(({ strings }) => strings.includes(lane.index));
  const touched = plan.nut.treeTouched && tree !== undefined;
  const trueRun = px(post.along);
  const run = Math.min(trueRun, RUN_PX + 20);
  const postLeg = touched ? angleBehindTree(post.along, plan.nut.withoutTree, tree) : nutLeg;
  const bend = touched ? { x: exit.x + run * 0.55, y: exit.y - run * 0.55 * Math.tan(postLeg) } : exit;
  const slot = { x: exit.x + run, y: bend.y - (exit.x + run - bend.x) * Math.tan(nutLeg) };
  const boardEnd = room.width - 6;
  const step = px(turnHeight(plan.geometry));
  const count = Math.min(MOST_TURNS, Math.ceil(Math.max(0, plan.wind.turns)));
  const aboveCount = Math.min(count, plan.methods.turnsAbove);
  const half = px(post.diameter) / 2 + px(lane.gauge) / 2;
  return {
    pxPerMm,
    tilt: (-beta * 180) / Math.PI,
    origin,
    post: {
      x: -px(post.diameter) / 2,
      y: -above * pxPerMm,
      width: px(post.diameter),
      height: above * pxPerMm,
      base: { x: -px(post.diameter) / 2 - 9, y: -5, width: px(post.diameter) + 18, height: 6 },
    },
    hole: post.style !== 'slotted' ? { y: -px(post.holeHeight), radius: Math.max(2.5, pxPerMm * 0.9) } : null,
    end:
      post.style === 'slotted'
        ? { path: `M0,${-above * pxPerMm} V${px(post.holeDepth ?? metres(0)) - above * pxPerMm}`, hidden: true }
        : { path: `M0,${-px(post.holeHeight)} l-${half + 9},0 ${post.style === 'locking' ? '' : 'l-6,-13'}`, hidden: false },
    turns: Array.from({ length: count }, (_, index) => ({
      y: -px(post.holeHeight) + step * (index - aboveCount + 0.5),
      half,
      lean: step / 2,
    })),
    face: faces(origin, { x: slot.x, y: slot.y + px(instrument.headstock.faceDrop) }, beta, run < trueRun),
    string: `M${exit.x},${exit.y} L${bend.x},${bend.y} L${slot.x},${slot.y} H${boardEnd}`,
    level: { x1: slot.x - 96, x2: slot.x, y: slot.y },
    angleAt: { x: slot.x - 52, y: slot.y - 9 },
    nut: { x: slot.x - 3, y: slot.y, width: Math.max(12, 5 * pxPerMm * 0.5), height: px(instrument.headstock.faceDrop) + 16 },
    board: { x: slot.x + 14, y: slot.y + 5, width: Math.max(0, boardEnd - slot.x - 14), height: px(instrument.headstock.faceDrop) + 11 },
    tree: touched ? { ...bend, word: tree.kind } : null,
    parts: partsOf(post, above * pxPerMm, pxPerMm),
    thickness: Math.max(1.5, px(lane.gauge)),
    shortened: run < trueRun,
  };
}

/** Head of a lock's screw on the post, gears or a knob behind the head; mm. */
function partsOf({ style, diameter }: Post, abovePx: number, k: number): PostSidePicture['parts'] {
  const width = diameter * MM * k;
  const box = (widthMm: number, y: number, heightMm: number, round: number) => ({
    x: (-widthMm * k) / 2,
    y,
    width: widthMm * k,
    height: heightMm * k,
    round,
  });
  switch (style) {
    case 'locking':
      return [{ x: -width * 0.28, y: -abovePx - 1.6 * k, width: width * 0.56, height: 1.6 * k, round: 1 }];
    case 'friction':
      return [box(diameter * MM * 0.8, FACE_PX, 2.5, 0), box(12, FACE_PX + 2.5 * k, 3, 4)];
    case 'planetary':
      return [box(11, FACE_PX, 3.5, 1), box(13, FACE_PX + 3.5 * k, 2, 4)];
    default:
      return [];
  }
}

const FACE_PX = 12;
const BREAK_PX = 9;

function faces(post: { x: number; y: number }, nut: { x: number; y: number }, beta: number, broken: boolean): string[] {
  const slope = Math.tan(beta);
  const left = post.x - 66;
  const atPost = (x: number) => post.y - (x - post.x) * slope;
  const atNut = (x: number) => nut.y + (nut.x - x) * slope;
  const slab = (x1: number, y1: number, x2: number, y2: number) => `M${x1},${y1} L${x2},${y2} v${FACE_PX} L${x1},${y1 + FACE_PX} z`;
  if (!broken) return [slab(left, atPost(left), nut.x, atPost(nut.x))];
  const middle = post.x + (nut.x - post.x) * 0.55;
  return [
    slab(left, atPost(left), middle - BREAK_PX, atPost(middle - BREAK_PX)),
    slab(middle + BREAK_PX, atNut(middle + BREAK_PX), nut.x, nut.y),
  ];
}

/** Angle of the string between post and tree: from where it leaves the post up to the tree's underside. */
function angleBehindTree(along: number, withoutTree: number, tree: Instrument['trees'][number]): number {
  const exitDown = Math.tan(withoutTree) * along;
  return Math.atan2(exitDown - tree.drop, along - tree.along);
}
