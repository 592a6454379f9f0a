import { path } from 'd3';
import type { Instrument, Post } from '@gold-peg/craft/instrument';
import { headPosts, MM, TIP_MM, type OnFace } from './frame';

interface Edge {
  near: number;
  far: number;
  first: number;
  last: number;
}

const MARGIN_MM = 10;
const ROUND_MM = 4;

/** Outline of a headstock round its posts: a shape of our own, only its posts, nut and slots are measured. */
export function headstockOutline(instrument: Instrument, at: OnFace): string {
  const posts = headPosts(instrument);
  const half = (instrument.nutWidth * MM) / 2;
  const onSide = (side: Post['side']) => posts.filter((post) => post.side === side);
  const [bass, treble] = [onSide('bass'), onSide('treble')];
  const { layout, rollerSlots } = instrument.headstock;
  switch (layout) {
    case 'headless':
      return block(Math.max(...posts.map(({ along, holeDepth }) => (along + (holeDepth ?? 0)) * MM)) + ROUND_MM, half + ROUND_MM, at);
    case 'in-line': {
      // reversed, the posts stand on the treble side: the same shape, mirrored
      const reversed = bass.length === 0;
      return inLine(edgeOf(reversed ? treble : bass, reversed ? -1 : 1), half, (along, sideways) =>
        at(along, reversed ? -sideways : sideways),
      );
    }
    case 'slotted': {
      // a slotted head is as wide as its rollers, wherever on them the strings wind
      const outer = (rollerSlots?.outer ?? 0.024) * MM;
      return split(straight(edgeOf(treble, 1), -outer), straight(edgeOf(bass, 1), outer), half, at);
    }
    case 'split':
      return split(edgeOf(treble, 1), edgeOf(bass, 1), half, at);
  }
}

const straight = (edge: Edge, sideways: number): Edge => ({ ...edge, near: sideways, far: sideways });

function edgeOf(posts: readonly Post[], sign: 1 | -1): Edge {
  const sorted = [...posts].sort((a, b) => a.along - b.along);
  const first = sorted[0];
  const last = sorted.at(-1);
  return {
    near: sign * (first?.sideways ?? 0) * MM,
    far: sign * (last?.sideways ?? 0) * MM,
    first: (first?.along ?? 0) * MM,
    last: (last?.along ?? 0) * MM,
  };
}

function block(tip: number, half: number, at: OnFace): string {
  const shape = path();
  shape.moveTo(...at(0, -half));
  shape.lineTo(...at(tip - ROUND_MM, -half));
  shape.quadraticCurveTo(...at(tip, -half), ...at(tip, -half + ROUND_MM));
  shape.lineTo(...at(tip, half - ROUND_MM));
  shape.quadraticCurveTo(...at(tip, half), ...at(tip - ROUND_MM, half));
  shape.lineTo(...at(0, half));
  shape.closePath();
  return shape.toString();
}

function split(treble: Edge, bass: Edge, half: number, at: OnFace): string {
  const shape = path();
  const curve = (a: readonly [number, number], b: readonly [number, number], to: readonly [number, number]) =>
    shape.bezierCurveTo(...at(...a), ...at(...b), ...at(...to));
  const tip = Math.max(treble.last, bass.last) + TIP_MM;
  // where one side ends long before the other, its edge runs on to the tip
  const trebleEnd = Math.max(treble.last, bass.last - TIP_MM) + 6;
  const bassEnd = Math.max(bass.last, treble.last - TIP_MM) + 6;
  const top = Math.min(treble.far, -6) - MARGIN_MM;
  const bottom = Math.max(bass.far, 6) + MARGIN_MM;
  shape.moveTo(...at(0, -half));
  curve([8, -half - 1], [treble.first - 20, treble.near - MARGIN_MM + 2], [treble.first - 8, treble.near - MARGIN_MM]);
  shape.lineTo(...at(trebleEnd, top));
  curve([tip - 2, top - 1], [tip, top + 16], [tip - 2, (top + MARGIN_MM) / 2]);
  curve([tip - 8, -4], [tip - 8, 4], [tip - 2, (bottom - MARGIN_MM) / 2]);
  curve([tip, bottom - 16], [tip - 2, bottom + 1], [bassEnd, bottom]);
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
