import { FLOATING } from '@gold-peg/craft/constants';

/** A tilt is drawn so many times larger than it is: as much as keeps the largest of them in the picture. */
export const largerFor = (angles: readonly number[]): number => {
  const most = Math.max(...angles.map(Math.abs));
  return most > radiansOf(8) ? 1 : most > radiansOf(4) ? 2 : 5;
};
const radiansOf = (degrees: number): number => (degrees * Math.PI) / 180;

const MM = 1000;

/** A point of the picture, px. */
export interface Spot {
  x: number;
  y: number;
}

/** Millimetres of the bridge to pixels of the picture: x to the right away from the nut, y down; the knife edge is at (0, 0). */
export interface Scale {
  px: number;
  edge: Spot;
  larger: number;
}

/** The picture holds the claw on the left and the back edge on the right. */
export function scaleOf(width: number, height: number, reachMm: number, larger: number): Scale {
  const { backEdge, springDepth } = FLOATING;
  const px = Math.min((width - 76) / (reachMm + backEdge.value), (height - 92) / (springDepth.value + 26));
  return { px, larger, edge: { x: 16 + reachMm * px, y: 64 + 12 * px } };
}

/** Where a point of the bridge is once it tipped by `angle`, drawn larger; toward the nut is to the left, above zero tips that way. */
export function turnedSpot({ px, edge, larger }: Scale, angle: number, backMm: number, upMm: number): Spot {
  const by = angle * larger;
  const [cos, sin] = [Math.cos(by), Math.sin(by)];
  return { x: edge.x + px * (backMm * cos - upMm * sin), y: edge.y - px * (backMm * sin + upMm * cos) };
}

const path = (spots: readonly Spot[]): string => `M${spots.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;

/** The bridge itself: plate, saddle and block in one outline. */
export function outline(scale: Scale, angle: number): string {
  const { backEdge, springDepth, saddleHeight } = FLOATING;
  const at = (backMm: number, upMm: number) => turnedSpot(scale, angle, backMm, upMm);
  return path([
    at(-1, 1),
    at(0, saddleHeight.value - 2),
    at(5, saddleHeight.value),
    at(14, 3),
    at(backEdge.value, 1.5),
    at(backEdge.value, -1),
    at(11, -1),
    at(8, -springDepth.value - 4),
    at(-3, -springDepth.value - 4),
    at(1, -1),
  ]);
}

/** Where strings leave it, springs hook in, and its back edge is. */
export const saddleSpot = (scale: Scale, angle: number): Spot => turnedSpot(scale, angle, 5, FLOATING.saddleHeight.value);
export const hookSpot = (scale: Scale, angle: number): Spot => turnedSpot(scale, angle, 0, -FLOATING.springDepth.value);
export const edgeSpot = (scale: Scale, angle: number): Spot => turnedSpot(scale, angle, FLOATING.backEdge.value, 0);

/** The claw stands where its distance from the hook of a level bridge says. */
export const clawSpot = ({ px, edge }: Scale, claw: number): Spot => ({
  x: edge.x - px * claw * MM,
  y: edge.y + px * FLOATING.springDepth.value,
});

/** A coil from claw to hook. */
export function coil(from: Spot, to: Spot, turns = 26): string {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const [nx, ny] = [(-dy / Math.hypot(dx, dy)) * 8, (dx / Math.hypot(dx, dy)) * 8];
  const spots = Array.from({ length: turns + 1 }, (_, index) => {
    const [at, side] = [0.08 + (0.84 * index) / turns, index % 2 === 0 ? 1 : -1];
    return `${(from.x + dx * at + nx * side).toFixed(1)} ${(from.y + dy * at + ny * side).toFixed(1)}`;
  });
  return `M${from.x.toFixed(1)} ${from.y.toFixed(1)}L${spots.join('L')}L${to.x.toFixed(1)} ${to.y.toFixed(1)}`;
}
