import type { AnchorKind } from '../instrument/index.js';

/** What an end that was fixed so does: holds; never lets its string up; gives way under the first stretch; sinks home at once, sooner or later; notches it. */
export type AnchorDoes = 'holds' | 'runs' | 'creeps' | 'hangs' | 'notches';

export interface AnchorWay {
  id: string;
  does: AnchorDoes;
}

const BALL: readonly AnchorWay[] = [
  { id: 'ball-home', does: 'holds' },
  { id: 'ball-on-edge', does: 'hangs' },
  { id: 'string-crosses', does: 'creeps' },
];
const CLAMP: readonly AnchorWay[] = [
  { id: 'clamp-snug', does: 'holds' },
  { id: 'clamp-loose', does: 'runs' },
  { id: 'clamp-hard', does: 'notches' },
];

const WAYS: Readonly<Record<AnchorKind, readonly AnchorWay[]>> = {
  pins: [
    { id: 'ball-against-plate', does: 'holds' },
    { id: 'ball-under-pin', does: 'creeps' },
    { id: 'ball-half-up', does: 'hangs' },
  ],
  'tie-block': [
    { id: 'last-behind-edge', does: 'holds' },
    { id: 'last-on-top', does: 'creeps' },
    { id: 'not-tucked', does: 'runs' },
  ],
  'knot-in-slot': [
    { id: 'knot-drawn-tight', does: 'holds' },
    { id: 'knot-loose', does: 'hangs' },
    { id: 'knot-too-small', does: 'runs' },
  ],
  'wrap-and-tuck': [
    { id: 'tucked-under-neighbour', does: 'holds' },
    { id: 'tail-free', does: 'creeps' },
    { id: 'wrapped-once', does: 'runs' },
  ],
  'top-load': BALL,
  'through-body': BALL,
  'stop-tailpiece': BALL,
  'wrap-around': BALL,
  'resting-vibrato': BALL,
  'floating-vibrato': BALL,
  'double-locking': CLAMP,
  headless: CLAMP,
  'hooked-tailpiece': [
    { id: 'loop-round-hook', does: 'holds' },
    { id: 'loop-on-edge', does: 'hangs' },
    { id: 'loop-twisted', does: 'creeps' },
  ],
};

/** Ways in which an end may be fixed at such an anchor, the right one first. */
export const anchorWays = (anchor: AnchorKind): readonly AnchorWay[] => WAYS[anchor];
