import type { Metres, Radians } from '../units/index.js';

/** Where a point of the bridge lies while the bridge is level, m from the knife edge: x toward the nut, y up. */
export interface Point {
  x: number;
  y: number;
}

/** How far it is from a point that turns with the bridge to one that stands still, and how that changes as the bridge tips. */
export interface Reach {
  length: Metres;
  /** d length / d angle, m per rad. */
  first: number;
  /** d² length / d angle². */
  second: number;
}

/** A bridge that tips by `angle` (positive toward the nut) takes the point along on a circle about its edge. */
export function reach(turning: Point, standing: Point, angle: Radians): Reach {
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  const x = turning.x * cos + turning.y * sin;
  const y = turning.y * cos - turning.x * sin;
  const dx = standing.x - x;
  const dy = standing.y - y;
  const length = Math.sqrt(dx * dx + dy * dy); // this is asked a million times for one band; hypot is many times slower
  const first = (dy * x - dx * y) / length; // the point moves by (y, −x)
  return { length: length as Metres, first, second: (x * x + y * y + dx * x + dy * y - first * first) / length };
}
