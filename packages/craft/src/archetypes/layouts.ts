import type { Side, SketchPost } from '../instrument/index.js';

/** What all posts of a headstock share. */
export type Shape = Omit<SketchPost, 'side' | 'alongMm' | 'sidewaysMm'>;

/** The usual tuning of six strings, from string 1 on. */
export const E_STANDARD = ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'];

export const sideHole = (diameterMm: number, holeMm: number): Shape => ({ style: 'through', diameterMm, holeMm });

/** Posts on a side of a headstock: how many, from the nut to the first, and from one to the next. */
interface Row {
  count: number;
  firstMm: number;
  pitchMm: number;
}

/** Posts of a split headstock: string 1 and the last stand nearest the nut. `sideMm` runs from the nearest post to the farthest. */
export function splitPosts(
  [trebleCount, bassCount]: readonly [number, number],
  firstMm: number,
  pitchMm: number,
  sideMm: readonly [near: number, far: number],
  shape: Shape,
): SketchPost[] {
  const longer = Math.max(trebleCount, bassCount);
  const row = (side: Side, count: number) =>
    fromNut(side, { count, firstMm, pitchMm }, (index) => {
      const [near, far] = sideMm;
      const out = longer === 1 ? near : near + ((far - near) * index) / (longer - 1);
      return side === 'bass' ? out : -out;
    }).map((place) => ({ ...shape, ...place }));
  return [...row('treble', trebleCount), ...row('bass', bassCount).reverse()];
}

/**
 * Posts set so that every string runs straight over the nut, for flat headstocks: `trebleCount` strings go to the treble side, the rest to the bass side.
 * None on the treble side is a headstock in line; all of them on it the same reversed. A hole's height may fall from string to string.
 */
export function straightPosts(
  slotsMm: readonly number[],
  trebleCount: number,
  row: Omit<Row, 'count'>,
  shape: Omit<Shape, 'holeMm'>,
  holesMm: readonly number[],
): SketchPost[] {
  const half = shape.diameterMm / 2;
  const count = slotsMm.length;
  const treble = fromNut('treble', { ...row, count: trebleCount }, (index) => (slotsMm[index] ?? 0) - half);
  const bass = fromNut('bass', { ...row, count: count - trebleCount }, (index) => (slotsMm[count - 1 - index] ?? 0) + half);
  return [...treble, ...bass.reverse()].map((place, index) => ({ ...shape, ...place, holeMm: holesMm[index] ?? holesMm[0] ?? 0 }));
}

/** Clamps of a headless head, one behind each slot. */
export const clamps = (slotsMm: readonly number[], alongMm: number, depthMm: number): SketchPost[] =>
  slotsMm.map((slotMm) => ({
    style: 'clamp',
    side: slotMm < 0 ? 'treble' : 'bass',
    alongMm,
    sidewaysMm: slotMm,
    diameterMm: 4,
    holeMm: 3,
    depthMm,
  }));

const fromNut = (side: Side, { count, firstMm, pitchMm }: Row, sidewaysOf: (index: number) => number) =>
  Array.from({ length: count }, (_, index) => ({ side, alongMm: firstMm + pitchMm * index, sidewaysMm: sidewaysOf(index) }));
