import { curveCatmullRom, line } from 'd3';
import type { TieWay } from '@gold-peg/craft/bench-run';

/** What a part is made of; the sheet gives it its colour and hatching. */
export type Ink = 'ebony' | 'top' | 'plate' | 'body' | 'bone' | 'metal' | 'dark' | 'hollow' | 'cloth' | 'skin';
export type Point = readonly [x: number, y: number];

/** A piece of a drawing. Lengths are millimetres of the instrument, x toward its tail, y down. */
export type Part =
  | { kind: 'area'; d: string; ink: Ink }
  | { kind: 'string'; d: string; of: 'this' | 'other' }
  | { kind: 'wire'; d: string }
  | { kind: 'ball'; x: number; y: number }
  | { kind: 'label'; x: number; y: number; text: string; align: 'start' | 'middle' | 'end' }
  | { kind: 'arrow'; d: string; x: number; y: number; turn: number; bad: boolean };

export interface Dot {
  x: number;
  y: number;
  here: boolean;
}

/** One step in a picture and a sentence. */
export interface Frame {
  title: string;
  says: string;
  parts: readonly Part[];
}

/** The work at one anchor as it is drawn: taking off, fitting, the usual fault, and how the last frame looks when it is right. */
export interface AnchorScenes {
  off: readonly Frame[];
  fit: readonly Frame[];
  fault: Frame;
  /** What is done there at Trim, where that is more than a look; else the last frame of fitting shows how it is right. */
  seat?: readonly Frame[];
}

/** What the drawings depend on. */
export interface SceneRequest {
  /** Strings of the instrument, and which of them this is, zero-based from the high side. */
  count: number;
  index: number;
  soft: boolean;
  wound: boolean;
  /** Through two holes of a tie block. */
  twoHoles: boolean;
  /** The last to be anchored. */
  last: boolean;
  /** The tailpiece bears a cover. */
  cover: boolean;
  /** How it is tied to a block. */
  tie: TieWay;
  /** At a tie bar, its tail goes up the picture: toward a string of a lower number. */
  tailUp: boolean;
}

/** Every drawing is this large, mm. */
export const WIDTH = 72;
export const HEIGHT = 46;
export const BALL_RADIUS = 2.1;

const path = () =>
  line<Point>()
    .x(([x]) => x)
    .y(([, y]) => y);
const rigid = path();
const smooth = path().curve(curveCatmullRom.alpha(0.5));

export const area = (ink: Ink, ...points: Point[]): Part => ({ kind: 'area', ink, d: `${rigid(points) ?? ''}Z` });
export const box = (ink: Ink, x: number, y: number, width: number, height: number): Part =>
  area(ink, [x, y], [x + width, y], [x + width, y + height], [x, y + height]);
export const round = (ink: Ink, x: number, y: number, rx: number, ry = rx): Part => ({
  kind: 'area',
  ink,
  d: `M${x - rx},${y}a${rx},${ry} 0 1 0 ${2 * rx},0a${rx},${ry} 0 1 0 ${-2 * rx},0Z`,
});
/** This string, bent smoothly through points. */
export const bent = (...points: Point[]): Part => ({ kind: 'string', of: 'this', d: smooth(points) ?? '' });
/** This string, with corners. */
export const taut = (...points: Point[]): Part => ({ kind: 'string', of: 'this', d: rigid(points) ?? '' });
/** A neighbour. */
export const neighbour = (...points: Point[]): Part => ({ kind: 'string', of: 'other', d: rigid(points) ?? '' });
export const neighbourBent = (...points: Point[]): Part => ({ kind: 'string', of: 'other', d: smooth(points) ?? '' });
/** A spring, a hook, an outline. */
export const wire = (...points: Point[]): Part => ({ kind: 'wire', d: rigid(points) ?? '' });
export const wireBent = (...points: Point[]): Part => ({ kind: 'wire', d: smooth(points) ?? '' });
export const ball = (x: number, y: number): Part => ({ kind: 'ball', x, y });
export const label = (x: number, y: number, text: string, align: 'start' | 'middle' | 'end' = 'start'): Part => ({
  kind: 'label',
  x,
  y,
  text,
  align,
});

function arrowOf([x1, y1]: Point, [x2, y2]: Point, bad: boolean): Part {
  return {
    kind: 'arrow',
    d:
      rigid([
        [x1, y1],
        [x2, y2],
      ]) ?? '',
    x: x2,
    y: y2,
    turn: (Math.atan2(y2 - y1, x2 - x1) * 180) / Math.PI,
    bad,
  };
}
export const arrow = (from: Point, to: Point): Part => arrowOf(from, to, false);
export const badArrow = (from: Point, to: Point): Part => arrowOf(from, to, true);

/** A turning movement about a point: half a turn, clockwise as drawn. */
export function turning(x: number, y: number, radius: number): Part {
  return { kind: 'arrow', d: `M${x - radius},${y}a${radius},${radius} 0 0 1 ${2 * radius},0`, x: x + radius, y, turn: 90, bad: false };
}

/** Zigzag of a coil between two points along x. */
export function coil(x1: number, x2: number, y: number, height: number, turns: number): Part {
  const step = (x2 - x1) / (2 * turns);
  return wire(
    ...Array.from({ length: 2 * turns + 1 }, (_, index): Point => [x1 + step * index, y + (index % 2 === 0 ? -height / 2 : height / 2)]),
  );
}

/** Which of the strings this is: a row of dots below the drawing, the high side first. */
export function whichOf({ count, index }: Pick<SceneRequest, 'count' | 'index'>): Dot[] {
  const pitch = Math.min(4, 40 / count);
  const from = WIDTH / 2 - ((count - 1) * pitch) / 2;
  return Array.from({ length: count }, (_, at) => ({ x: from + at * pitch, y: HEIGHT + 2.4, here: at === index }));
}
