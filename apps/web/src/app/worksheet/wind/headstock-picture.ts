import type { Instrument } from '@gold-peg/craft/instrument';
import type { WindPlan } from '@gold-peg/craft/procedure';
import type { Lane } from '../desk/lane';

/** What the picture of a headstock is laid out from. */
export interface HeadstockRequest {
  instrument: Instrument;
  lanes: readonly Lane[];
  plans: readonly (WindPlan | null)[];
  inHand: number;
  /** The cut that is shown for the lane in hand. */
  planInHand: WindPlan | null;
  done: readonly boolean[];
  width: number;
  height: number;
  /** Where the fan meets the lanes, px from the top. */
  laneCentres: readonly number[];
}

export interface DrawnPost {
  index: number;
  number: number;
  x: number;
  y: number;
  radius: number;
  roller: { x: number; y: number; width: number; height: number } | null;
  button: { x: number; y: number; width: number; height: number };
  done: boolean;
  inHand: boolean;
}

export interface DrawnString {
  index: number;
  path: string;
  width: number;
  texture: Lane['texture'];
  state: 'open' | 'in-hand' | 'done';
}

export interface HeadstockPicture {
  pxPerMm: number;
  outline: string;
  slots: string[];
  neck: string;
  nut: { x: number; y: number; width: number; height: number };
  posts: DrawnPost[];
  strings: DrawnString[];
  fan: string;
  trees: { x: number; y: number; height: number }[];
  cut: { x1: number; y1: number; x2: number; y2: number; fromX: number; fromY: number; labelX: number; labelY: number } | null;
  turn: { arc: string; head: string; x: number; y: number } | null;
  fifthPeg: { x: number; y: number; number: number } | null;
}
