import type { Instrument, Post } from '@gold-peg/craft/instrument';
import type { WindPlan } from '@gold-peg/craft/procedure';
import type { Box, HeadstockRequest } from './headstock-picture';

export const MM = 1000;
const NECK_PX = 14;
/** Neck that is shown behind the nut of a headless instrument, px. */
const HEADLESS_NECK_PX = 44;
const FAN_PX = 84;
/** Room for the word beside the farthest cut mark. */
const LEFT_PX = 34;
const TOP_PX = 26;
/** How far the tip reaches past the last post, mm. */
export const TIP_MM = 22;
export const BUTTON_MM = { length: 17, width: 8, gap: 1.5 };
export const BASS_BUTTON_MM = { length: 22, width: 17, gap: 1.5 };
/** Posts from this diameter on carry the wide buttons of a bass, m. */
const BASS_POST = 0.01;
/** Neck that is left out between the head and the tail of a headless instrument, px. */
const CUT_OUT_PX = 84;
/** Beyond the saddle of a headless instrument: pocket, travel and knob, mm. */
export const KNOB_MM = 12;

/** From millimetres on the face (along toward the tip, sideways toward the bass side) to the picture. */
export type OnFace = (alongMm: number, sidewaysMm: number) => readonly [x: number, y: number];

/** One scale for everything on a headstock, and which way it lies. */
export interface Frame {
  pxPerMm: number;
  at: OnFace;
  /** From the picture to millimetres on the face: along, sideways. */
  toFace: (x: number, y: number) => readonly [alongMm: number, sidewaysMm: number];
  /** −1 where the picture is turned by 180 degrees: along runs to the right then. */
  leftward: 1 | -1;
  /** −1 where the bass side lies at the top. */
  downward: 1 | -1;
  /** Neck shown behind the nut, px. */
  neckPx: number;
  /** Where the fan meets the lanes, and where it leaves the neck. */
  lanesX: number;
  neckX: number;
}

export const headPosts = (instrument: Instrument): Post[] =>
  instrument.strings.map(({ post }) => post).filter(({ pipAlong }) => pipAlong === null);

export const isBehind = ({ style }: Post): boolean => style === 'friction' || style === 'planetary';
export const buttonOf = ({ style, diameter }: Post) => (style !== 'roller' && diameter >= BASS_POST ? BASS_BUTTON_MM : BUTTON_MM);
/** Sign of sideways on the side of a post. */
export const sideSign = ({ side }: Pick<Post, 'side'>): 1 | -1 => (side === 'bass' ? 1 : -1);

export function frameOf({ plans, width, height, turned, ...request }: HeadstockRequest): Frame {
  const instrument = request.framedBy ?? request.instrument;
  const posts = headPosts(instrument);
  const headless = instrument.headstock.layout === 'headless';
  // while posts are being moved no cut is shown, and the picture keeps its scale
  const shown = request.framedBy === undefined ? instrument.strings : [];
  const cuts = shown.map(({ post }, index) => (post.pipAlong === null ? reachOfCut(post, plans[index] ?? null) : 0));
  const tip = Math.max(...posts.map(({ along, holeDepth }) => (along + (headless ? (holeDepth ?? 0) : 0)) * MM)) + (headless ? 6 : TIP_MM);
  const reach = Math.max(tip, ...cuts);
  const tail = headless ? tailMm(instrument) : 0;
  const tailPx = headless ? CUT_OUT_PX : 0;
  const downward = (instrument.hand === 'left') === turned ? 1 : -1;
  const up = sideReach(posts, instrument, downward === 1 ? 'treble' : 'bass');
  const down = sideReach(posts, instrument, downward === 1 ? 'bass' : 'treble');
  const room = height - 2 * TOP_PX;
  const neckEnd = width - FAN_PX - NECK_PX;
  const pxPerMm = Math.min((neckEnd - LEFT_PX - tailPx) / (reach + tail), room / (up + down));
  const nutX = neckEnd - tailPx - tail * pxPerMm;
  const midY = TOP_PX + up * pxPerMm + (room - (up + down) * pxPerMm) / 2;
  const leftward = turned ? -1 : 1;
  const x = (fromLeft: number) => (turned ? width - fromLeft : fromLeft);
  return {
    pxPerMm,
    leftward,
    downward,
    at: (along, sideways) => [x(nutX - along * pxPerMm), midY + downward * sideways * pxPerMm],
    toFace: (px, py) => [(nutX - x(px)) / pxPerMm, (downward * (py - midY)) / pxPerMm],
    neckPx: headless ? HEADLESS_NECK_PX : NECK_PX,
    lanesX: x(width),
    neckX: x(neckEnd + NECK_PX),
  };
}

function reachOfCut({ along }: Post, plan: WindPlan | null): number {
  return (along + Math.max(0, plan?.cut ?? 0)) * MM + 4;
}

/** From the line where the neck is cut out to the ends of the knobs. */
export const tailMm = ({ bridge, screwTuner }: Instrument): number => (bridge.behindSaddle + (screwTuner?.travel ?? 0)) * MM + KNOB_MM + 6;

const SLOTTED_MARGIN_MM = 10;

/** Half the breadth that a side needs, mm: posts, edge of the wood and buttons. */
function sideReach(posts: readonly Post[], { headstock, nutWidth }: Instrument, side: Post['side']): number {
  const wall = headstock.rollerSlots === null ? 24 : headstock.rollerSlots.outer * MM;
  const reaches = posts
    .filter((post) => post.side === side)
    .map((post) => {
      if (post.style === 'clamp') return Math.abs(post.sideways) * MM + 8;
      const edge = (post.style === 'roller' ? wall : sideSign(post) * post.sideways * MM) + SLOTTED_MARGIN_MM;
      return edge + 1 + buttonOf(post).length;
    });
  return Math.max(...reaches, (nutWidth * MM) / 2 + 5);
}

export function boxOf([x1, y1]: readonly [number, number], [x2, y2]: readonly [number, number]): Box {
  return { x: Math.min(x1, x2), y: Math.min(y1, y2), width: Math.abs(x2 - x1), height: Math.abs(y2 - y1) };
}
