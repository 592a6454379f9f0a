import type { Family, StringEnd } from '../strings/index.js';
import { frequencyOf, type Hertz, type Metres, type Radians } from '../units/index.js';

/** How the string is held at the post. */
export type PostStyle = 'through' | 'slotted' | 'roller' | 'side-peg';
export type Side = 'bass' | 'treble';
export const ANCHORS = [
  'pins',
  'tie-block',
  'knot-in-slot',
  'wrap-and-tuck',
  'top-load',
  'through-body',
  'stop-tailpiece',
  'wrap-around',
  'resting-vibrato',
  'floating-vibrato',
  'double-locking',
  'headless',
  'hooked-tailpiece',
] as const;
export type AnchorKind = (typeof ANCHORS)[number];
export type HeadstockLayout = 'split' | 'in-line' | 'slotted';

/**
 * One tuning post. `along` runs from the nut (or the fifth string's pip) along the face to the axis; `sideways` from the centre line of the neck,
 * positive toward the bass side, which lies nearest the technician. For a roller the hole's height is that of its axis, negative below the face.
 */
export interface Post {
  style: PostStyle;
  side: Side;
  along: Metres;
  sideways: Metres;
  diameter: Metres;
  holeHeight: Metres;
  /** How deep the end of the string goes into a slotted post. */
  holeDepth: Metres | null;
  /** Where a fifth peg's pip stands, from the nut toward the bridge; null for posts on the headstock. */
  pipAlong: Metres | null;
}

/** Presses strings down between nut and post. `drop` is how far below the slot line. */
export interface Tree {
  along: Metres;
  drop: Metres;
  /** Zero-based string positions it holds. */
  strings: readonly number[];
}

export interface StringPlace {
  /** Pitch name in scientific notation. */
  note: string;
  /** A pitch of the player's own, which wins over the note; the note is then the nearest one. */
  frequency: Hertz | null;
  course: number;
  scaleLength: Metres;
  /** Centre of the nut slot from the centre line, positive toward the bass side. */
  slotSideways: Metres;
  slotWidth: Metres;
  post: Post;
}

/** Everything the procedure follows from: facts of the instrument, never its model name. String 1 first. */
export interface Instrument {
  family: Family;
  strings: readonly StringPlace[];
  nutWidth: Metres;
  headstock: { layout: HeadstockLayout; angle: Radians; faceDrop: Metres };
  trees: readonly Tree[];
  bridge: { anchor: AnchorKind; behindSaddle: Metres };
  gearRatio: number;
  a4: Hertz;
}

/** What the string is tuned to. */
export const pitchOf = ({ a4 }: Pick<Instrument, 'a4'>, { note, frequency }: Pick<StringPlace, 'note' | 'frequency'>): Hertz =>
  frequency ?? frequencyOf(note, a4);

/** How the ends of strings must be made to hold at this anchor. */
export function endsFor(anchor: AnchorKind): readonly StringEnd[] {
  if (anchor === 'hooked-tailpiece') return ['loop'];
  if (anchor === 'tie-block' || anchor === 'knot-in-slot' || anchor === 'wrap-and-tuck') return ['plain'];
  return anchor === 'double-locking' ? ['ball', 'ball-cut-off'] : ['ball'];
}

/** All of the string that shares the stretch: from the anchor over the saddle and the nut to the post. */
export const stretchingPath = (instrument: Instrument, string: StringPlace): Metres =>
  (instrument.bridge.behindSaddle + string.scaleLength + string.post.along) as Metres;

/** Distance between neighbouring posts on a side, by which technicians measure slack; null where no neighbour stands. */
export function postSpacing(instrument: Instrument, index: number): Metres | null {
  const own = instrument.strings[index]?.post;
  if (own === undefined || own.pipAlong !== null) return null;
  const gaps = instrument.strings
    .filter(({ post }, other) => other !== index && post.side === own.side && post.pipAlong === null)
    .map(({ post }) => Math.hypot(post.along - own.along, post.sideways - own.sideways));
  return gaps.length === 0 ? null : (Math.min(...gaps) as Metres);
}

/** A post on the bass side turns anticlockwise, seen from above with the headstock to the left; one on the treble side clockwise. */
export const windingDirection = ({ side }: Post): 'anticlockwise' | 'clockwise' => (side === 'bass' ? 'anticlockwise' : 'clockwise');
