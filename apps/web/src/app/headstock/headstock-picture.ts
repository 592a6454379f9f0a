import type { Instrument } from '@gold-peg/craft/instrument';
import type { WindPlan } from '@gold-peg/craft/procedure';
import type { Lane } from '../lane/lane';

/** What the picture of a headstock is laid out from. */
export interface HeadstockRequest {
  instrument: Instrument;
  lanes: readonly Lane[];
  plans: readonly (WindPlan | null)[];
  inHand: number;
  /** The cut that is shown for the lane in hand. */
  planInHand: WindPlan | null;
  done: readonly boolean[];
  /** Posts on which nothing lies; none where it is left out. */
  bare?: readonly boolean[];
  width: number;
  height: number;
  /** Where the fan meets each lane, px from the top, string 1 first. */
  laneCentres: readonly number[];
  /** Headstock to the right: the picture turned by 180 degrees. */
  turned: boolean;
  /** What the scale is taken from, where the instrument is being changed under the hand. */
  framedBy?: Instrument;
}

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface DrawnPost {
  index: number;
  number: number;
  x: number;
  y: number;
  radius: number;
  /** The empty hole, in line with its string; '' where none is aimed. */
  aim: string;
  /** Radius of the circle that the string makes on it; null while none is wound. */
  wound: { radius: number; texture: Lane['texture'] } | null;
  /** Roller or clamp from above; null for posts that stand on the face. */
  body: Box | null;
  clamp: boolean;
  /** A button beside the head, or a ring where it points back behind it. */
  button: Box | null;
  behind: { radius: number } | null;
  label: { x: number; y: number };
  done: boolean;
  inHand: boolean;
}

export interface DrawnString {
  index: number;
  path: string;
  /** Turns side by side on a roller. */
  stack: string;
  width: number;
  texture: Lane['texture'];
  state: 'open' | 'in-hand' | 'done';
}

export interface DrawnTree extends Box {
  kind: 'tree' | 'bar';
}

/** Screw tuners at the tail of a headless instrument, along to scale. */
export interface DrawnScrew {
  index: number;
  travel: Box;
  used: Box;
  over: boolean;
}

export interface HeadstockPicture {
  pxPerMm: number;
  outline: string;
  slots: string[];
  neck: string;
  nut: Box;
  posts: DrawnPost[];
  /** Size of the numbers of strings. */
  numberPx: number;
  strings: DrawnString[];
  fan: string;
  trees: DrawnTree[];
  cut: {
    bend: { x: number; y1: number; y2: number; label: { x: number; y: number } | null } | null;
    x1: number;
    y1: number;
    x2: number;
    y2: number;
    fromX: number;
    fromY: number;
    /** Middle of the word. */
    label: { x: number; y: number };
  } | null;
  turn: { arc: string; head: string; x: number; y: number } | null;
  fifthPeg: { x: number; y: number; number: number; textX: number } | null;
  screws: DrawnScrew[];
}
