import { HEADSTOCK } from '../constants/index.js';
import type { StringEnd } from '../strings/index.js';
import type { Family } from '../string-kinds/index.js';
import { frequencyOf, fromMillimetres, type Hertz, type Metres, type Radians } from '../units/index.js';

/**
 * How the string is held: 'through' a hole in the side of the post (the commonest), down a slot into its middle, clamped in it, through the roller of a
 * slotted headstock, through a friction or a planetary peg, through a fifth peg in the side of the neck, or in a clamp at the head of a headless one.
 */
export const POST_STYLES = ['through', 'slotted', 'locking', 'roller', 'friction', 'planetary', 'side-peg', 'clamp'] as const;
export type PostStyle = (typeof POST_STYLES)[number];
export type Side = 'bass' | 'treble';
/** A left-handed instrument is the mirror image of a right-handed one: posts, slots and turns with it. */
export const HANDS = ['right', 'left'] as const;
export type Hand = (typeof HANDS)[number];
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
/** Holes of a tie block: one for each string, two for the trebles, or two for all: 6, 9 or 12 with six strings. */
export const TIE_HOLES = ['single', 'treble-double', 'double'] as const;
export type TieHoles = (typeof TIE_HOLES)[number];
/** What a fingerboard is made of decides what a dry one is given. */
export const WOODS = ['rosewood', 'ebony', 'maple-lacquered', 'maple-oiled', 'walnut', 'composite'] as const;
export type Wood = (typeof WOODS)[number];
/** What the top is finished with decides what may lie on it: tape lifts an old soft lacquer, and oiled wood shows it. */
export const TOP_FINISHES = ['hard', 'soft-lacquer', 'oil'] as const;
export type TopFinish = (typeof TOP_FINISHES)[number];
export const HEADSTOCK_LAYOUTS = ['split', 'in-line', 'slotted', 'headless'] as const;
export type HeadstockLayout = (typeof HEADSTOCK_LAYOUTS)[number];

/**
 * One tuning post. `along` runs from the nut (or the fifth string's pip) along the face to the axis; `sideways` from the centre line of the neck,
 * positive toward the bass side, which lies nearest the technician on a right-handed instrument. For a roller the hole's height is that of its axis,
 * negative below the face, and `sideways` is where its hole is. Of a clamp, `along` runs to its near face.
 */
export interface Post {
  style: PostStyle;
  side: Side;
  along: Metres;
  sideways: Metres;
  diameter: Metres;
  holeHeight: Metres;
  /** How deep the end of the string goes into a slotted post or a clamp. */
  holeDepth: Metres | null;
  /** Where a fifth peg's pip stands, from the nut toward the bridge; null for posts on the headstock. */
  pipAlong: Metres | null;
}

/** Presses strings down between nut and post, a tree some of them, a retainer bar all. `drop` is how far below the slot line. */
export interface Tree {
  kind: 'tree' | 'bar';
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
  hand: Hand;
  strings: readonly StringPlace[];
  nutWidth: Metres;
  headstock: {
    layout: HeadstockLayout;
    angle: Radians;
    faceDrop: Metres;
    /** Walls of the two slots that rollers lie across, from the centre line; null where there are none. */
    rollerSlots: RollerSlots | null;
  };
  trees: readonly Tree[];
  bridge: Bridge;
  /** Screw tuners at the bridge of a headless instrument; null elsewhere. */
  screwTuner: ScrewTuner | null;
  gearRatio: number;
  a4: Hertz;
  /** Null where nobody looked. */
  top: TopFinish | null;
  board: Wood | null;
}

export interface Bridge {
  anchor: AnchorKind;
  /** String between saddle and anchor that stretches too. */
  behindSaddle: Metres;
  /** Of a tie block. */
  tieHoles: TieHoles;
  /** A hooked tailpiece bears a cover. */
  cover: boolean;
  /** The bridge of a headless instrument is a vibrato. */
  vibrato: boolean;
}

type Held = Pick<Bridge, 'anchor'> & Partial<Pick<Bridge, 'vibrato'>>;
/** Strings and springs hold each other at such a bridge. */
export const floats = ({ anchor, vibrato = false }: Held): boolean =>
  anchor === 'floating-vibrato' || anchor === 'double-locking' || (anchor === 'headless' && vibrato);
/** Every string that is tuned moves such a bridge, and with it the others. */
export const isVibrato = (bridge: Held): boolean => floats(bridge) || bridge.anchor === 'resting-vibrato';

export interface RollerSlots {
  inner: Metres;
  outer: Metres;
}

/** How far a screw tuner travels, and how far in one turn. */
export interface ScrewTuner {
  travel: Metres;
  lead: Metres;
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

/** How many holes a tie block has, for so many strings. */
export function tieHoleCount(holes: TieHoles, stringCount: number): number {
  if (holes === 'single') return stringCount;
  return stringCount + (holes === 'double' ? stringCount : Math.floor(stringCount / 2));
}

/** Whether string `index` of a tie block goes through two holes. */
export const twoHoles = ({ bridge, strings }: Pick<Instrument, 'bridge' | 'strings'>, index: number): boolean =>
  bridge.anchor === 'tie-block' &&
  (bridge.tieHoles === 'double' || (bridge.tieHoles === 'treble-double' && index < Math.floor(strings.length / 2)));

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

/** Posts of its side that stand farther from the nut than that of string `index`. */
export function postsBeyond({ strings }: Pick<Instrument, 'strings'>, index: number): number {
  const own = strings[index]?.post;
  if (own === undefined || own.pipAlong !== null) return 0;
  return strings.filter(({ post }) => post.side === own.side && post.pipAlong === null && post.along > own.along).length;
}

/** From the axis of a string's post to the end of the headstock, as far as such headstocks usually reach; null where there is none. */
export function postToEnd({ strings, headstock }: Pick<Instrument, 'strings' | 'headstock'>, index: number): Metres | null {
  const own = strings[index]?.post;
  if (own === undefined || own.pipAlong !== null || headstock.layout === 'headless') return null;
  const last = Math.max(...strings.filter(({ post }) => post.pipAlong === null).map(({ post }) => post.along));
  return (last + fromMillimetres(HEADSTOCK.tip.value) - own.along) as Metres;
}

export type Direction = 'anticlockwise' | 'clockwise';

/**
 * Which way a post turns to wind up, seen from above with the headstock to the left, so that its string leaves on the side toward the centre line: anticlockwise
 * on the bass side, clockwise on the treble side, the other way on the mirror image of a left-handed instrument.
 */
export const windingDirection = ({ side }: Pick<Post, 'side'>, hand: Hand): Direction =>
  (side === 'bass') === (hand === 'right') ? 'anticlockwise' : 'clockwise';

/**
 * Which way turns grow along a roller: the outer strings toward the outside, those between them toward the inside, so that none rubs on its neighbour's
 * roller or on the wood.
 */
export function rollerSide(instrument: Pick<Instrument, 'strings'>, index: number): 'outward' | 'inward' {
  const own = instrument.strings[index]?.post;
  const nearer = instrument.strings.some(({ post }, other) => other !== index && post.side === own?.side && post.along < own.along);
  return nearer ? 'inward' : 'outward';
}
