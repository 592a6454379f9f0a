import { path } from 'd3';
import type { Instrument, Post } from '@gold-peg/craft/instrument';

/** From millimetres on the face (along toward the tip, sideways toward the bass side) to the picture. */
export type OnFace = (alongMm: number, sidewaysMm: number) => readonly [number, number];

interface Edge {
  near: number;
  far: number;
  first: number;
  last: number;
}

const MM = 1000;

/** How far the tip reaches past the last post, mm. */
export const TIP_MM = 22;

const SLOTTED_HALF_MM = 22;

export const headPosts = (instrument: Instrument): Post[] =>
  instrument.strings.map(({ post }) => post).filter(({ pipAlong }) => pipAlong === null);

/** Outline of a headstock round its posts: a shape of our own, only its posts, nut and slots are measured. */
export function headstockOutline(instrument: Instrument, at: OnFace): string {
  const posts = headPosts(instrument);
  const half = (instrument.nutWidth * MM) / 2;
  const bass = edgeOf(posts.filter(({ side }) => side === 'bass'));
  const treble = edgeOf(posts.filter(({ side }) => side === 'treble'));
  if (instrument.headstock.layout === 'in-line') return inLine(bass, half, at);
  // a slotted head is as wide as its rollers, wherever on them the strings wind
  if (instrument.headstock.layout === 'slotted')
    return split(straight(treble, -SLOTTED_HALF_MM), straight(bass, SLOTTED_HALF_MM), half, at);
  return split(treble, bass, half, at);
}

const straight = (edge: Edge, sideways: number): Edge => ({ ...edge, near: sideways, far: sideways });

function edgeOf(posts: readonly Post[]): Edge {
  const sorted = [...posts].sort((a, b) => a.along - b.along);
  const first = sorted[0];
  const last = sorted.at(-1);
  return {
    near: (first?.sideways ?? 0) * MM,
    far: (last?.sideways ?? 0) * MM,
    first: (first?.along ?? 0) * MM,
    last: (last?.along ?? 0) * MM,
  };
}

const MARGIN_MM = 10;

function split(treble: Edge, bass: Edge, half: number, at: OnFace): string {
  const shape = path();
  const curve = (a: readonly [number, number], b: readonly [number, number], to: readonly [number, number]) =>
    shape.bezierCurveTo(...at(...a), ...at(...b), ...at(...to));
  const tip = Math.max(treble.last, bass.last) + TIP_MM;
  shape.moveTo(...at(0, -half));
  curve([8, -half - 1], [treble.first - 20, treble.near - MARGIN_MM + 2], [treble.first - 8, treble.near - MARGIN_MM]);
  shape.lineTo(...at(treble.last + 6, treble.far - MARGIN_MM));
  curve([tip - 2, treble.far - MARGIN_MM - 1], [tip, treble.far + 6], [tip - 2, treble.far / 2]);
  curve([tip - 8, -4], [tip - 8, 4], [tip - 2, bass.far / 2]);
  curve([tip, bass.far - 6], [tip - 2, bass.far + MARGIN_MM + 1], [bass.last + 6, bass.far + MARGIN_MM]);
  shape.lineTo(...at(bass.first - 8, bass.near + MARGIN_MM));
  curve([bass.first - 20, bass.near + MARGIN_MM - 2], [8, half + 1], [0, half]);
  shape.closePath();
  return shape.toString();
}

function inLine(bass: Edge, half: number, at: OnFace): string {
  const shape = path();
  const curve = (a: readonly [number, number], b: readonly [number, number], to: readonly [number, number]) =>
    shape.bezierCurveTo(...at(...a), ...at(...b), ...at(...to));
  const tip = bass.last + TIP_MM;
  const slope = (bass.far - bass.near) / Math.max(1, bass.last - bass.first);
  const edge = (along: number) => bass.near + slope * (along - bass.first) + MARGIN_MM;
  shape.moveTo(...at(0, -half));
  curve([14, -half], [20, -half - 12], [34, -half - 11]);
  curve([bass.last * 0.5, -half - 8], [bass.last * 0.8, bass.far - 26], [tip - 12, bass.far - 22]);
  curve([tip + 4, bass.far - 21], [tip + 6, bass.far - 4], [tip - 3, edge(tip) - 6]);
  curve([tip - 8, edge(tip)], [bass.last + 8, edge(bass.last + 8)], [bass.last + 4, edge(bass.last + 4)]);
  shape.lineTo(...at(bass.first - 14, edge(bass.first - 14)));
  curve([bass.first - 24, edge(bass.first - 24)], [8, half], [0, half]);
  shape.closePath();
  return shape.toString();
}
