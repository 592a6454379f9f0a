import type { AnchorKind } from '../instrument/index.js';
import type { CautionKind } from './cautions.js';
import type { ToolKind } from '../tools/index.js';

/** One piece of work in the words of the bench. */
export interface Work {
  does: string;
  why: string;
  check: string;
  /** What is written down of it, beside that it was done; null where nothing is. */
  record: string | null;
  /** How a string is said to be once it is done. */
  done: string;
  tools: readonly ToolKind[];
  cautions: readonly CautionKind[];
}

/** What is particular to an anchor (how a string is tied or wrapped goes on in `work-at-anchor.ts`): before anything comes off, taking off, fitting, and what is seated or trimmed at the end. */
export interface AnchorWork {
  prepare: { does: string; why: string; record: string; tools: readonly ToolKind[] } | null;
  off: Work;
  fit: Work;
  seat: string;
}

const off = (does: string, why: string, tools: readonly ToolKind[], cautions: readonly CautionKind[]): Work => ({
  does,
  why,
  check: 'Both ends are out, and no piece is left in the body or on the floor.',
  record: null,
  done: 'off',
  tools: ['winder', 'cutters', 'bin', ...tools],
  cautions: ['never-cut', 'loose-ends', ...cautions],
});

const seated = (
  does: string,
  why: string,
  check: string,
  tools: readonly ToolKind[],
  cautions: readonly CautionKind[],
  done = 'seated',
): Work => ({
  does,
  why,
  check,
  record: null,
  done,
  tools,
  cautions,
});

const WITNESS = 'Press the string down at the saddle for its bend.';
const BALL_DOWN = 'The ball is at the bottom of its hole.';

export const ANCHOR_WORK: Readonly<Record<AnchorKind, AnchorWork>> = {
  pins: {
    prepare: null,
    off: off(
      'Slacken until it is limp. Lever the pin under its shoulder with a notched tool; a stuck one is pushed from inside.',
      'A pin that is gripped at its tip breaks.',
      ['pin-lever'],
      ['pin-tip'],
    ),
    fit: seated(
      'A small bend just above the ball. Ball down the hole, slot of the pin toward the saddle; press lightly while you pull the string up until the ball catches under the plate.',
      'A ball under the tip of the pin pushes it out; caught under the plate, the sideways pull holds it.',
      'Thumb over the pin: it does not creep. One that creeps is pushed back by hand.',
      [],
      ['pin-tip', 'eyes'],
    ),
    seat: `Push pins back by hand. ${WITNESS}`,
  },
  'tie-block': {
    prepare: null,
    off: off('Slacken, loosen the tie, pull the end through the block.', 'A tie that is cut tight lets go at once.', [], []),
    fit: seated(
      'Soft end from the saddle side through the hole, over the block',
      'The standing part presses the tail on the back of the block: each turn under it adds friction.',
      'The last crossing lies behind the edge of the block, not on top. Pull along the neck, never upward.',
      [],
      ['tie-runs'],
      'tied',
    ),
    seat: 'The last crossing still lies behind the edge; no tail touches the top.',
  },
  'knot-in-slot': {
    prepare: null,
    off: off('Slacken, push the knot down and slide it out of its slot.', 'A knot pulled through splits a thin top.', [], []),
    fit: seated(
      'A small overhand knot, pulled tight; slide the string into its slot from below until the knot is snug.',
      'The slot is narrower than the knot: pull presses it home.',
      'The knot cannot pass the slot: tie it twice in a thin string.',
      [],
      ['tie-runs'],
    ),
    seat: 'Trim what stands out of the knot.',
  },
  'wrap-and-tuck': {
    prepare: null,
    off: off(
      'Slacken all, cut the limp strings, pull the ends out.',
      'Tails lie under the neighbours’ wraps: none comes out while those are tight.',
      [],
      [],
    ),
    fit: seated(
      'In from the sound-hole side with about 40 mm through; three wraps round itself',
      'Tails are fed through one another: all strings are anchored before any is tightened.',
      'Every tail lies under its neighbour’s wraps.',
      ['padded-pliers'],
      ['slip'],
      'wrapped',
    ),
    seat: 'Trim tails at the wraps once they have held for a day.',
  },
  'top-load': {
    prepare: {
      does: 'Cloth or tape behind the bridge.',
      why: 'String ends scratch on their way in and out.',
      record: 'What the finish is, where it is soft or old.',
      tools: ['masking-tape', 'cloth'],
    },
    off: off('Slacken, cut or unwind, slide it out backward.', 'A cut end pulled forward scratches the top.', [], ['scratches']),
    fit: seated(
      'Thread from the back until the ball seats.',
      'A ball that sits askew slips later and flattens.',
      'The ball sits square in its seat; the string lies in its saddle.',
      [],
      ['whips', 'scratches'],
    ),
    seat: `${WITNESS} Take the tape off sideways.`,
  },
  'through-body': {
    prepare: null,
    off: off(
      'Slacken, cut the curled end off straight, push the string through, pull the ball out of the back.',
      'A ball left in its ferrule blocks the next; a curl jams in the hole and scratches.',
      [],
      ['scratches'],
    ),
    fit: seated(
      'From the back through its ferrule until the ball seats; the string over its saddle.',
      'The steeper break over the saddle holds it.',
      'The ball sits in its ferrule; the break over the saddle is clear.',
      [],
      ['scratches'],
    ),
    seat: WITNESS,
  },
  'stop-tailpiece': {
    prepare: {
      does: 'A cloth under tailpiece and bridge.',
      why: 'Both fall when the last string is off.',
      record: 'Which way round tailpiece and bridge stand.',
      tools: ['cloth'],
    },
    off: off(
      'Hold the tailpiece; slacken, push the string back: the ball comes out backward, away from the bridge.',
      'It stands on its studs by tension alone.',
      [],
      ['tailpiece-falls'],
    ),
    fit: seated(
      'Hold the tailpiece on its studs. Thread away from the body; the first string under light tension holds it.',
      'Threaded the wrong way round it will not hold.',
      'The tailpiece stands on both studs; the bridge stands where it did.',
      [],
      ['tailpiece-falls', 'eyes'],
    ),
    seat: WITNESS,
  },
  'wrap-around': {
    prepare: {
      does: 'A cloth under the bridge.',
      why: 'It falls when the last string is off.',
      record: 'Which way round the bridge stands.',
      tools: ['cloth'],
    },
    off: off(
      'Hold the bridge; slacken, push the ball out at its front.',
      'It stands on its studs by tension alone.',
      [],
      ['tailpiece-falls'],
    ),
    fit: seated(
      'Enter from the neck side, draw the ball to its seat, and wrap the string over the top.',
      'The other way round it pulls off its studs.',
      'The ball is at the bottom of its hole; the bridge stands on both studs.',
      [],
      ['tailpiece-falls'],
    ),
    seat: WITNESS,
  },
  'resting-vibrato': {
    prepare: null,
    off: off('Slacken, push the ball out at the back of the block.', 'The springs take up what the string leaves.', [], ['springs']),
    fit: seated(
      'From the back through the block until the ball seats; the string over its saddle.',
      'A ball that sits askew creeps with every dip.',
      `${BALL_DOWN} The bridge still rests on the body.`,
      [],
      ['springs'],
    ),
    seat: WITNESS,
  },
  'floating-vibrato': {
    prepare: {
      does: 'Note how level the bridge stands; block it level if all strings are to come off.',
      why: 'Strings and springs hold each other: without them it falls back, and an hour goes into finding balance again.',
      record: 'Height of the back edge of the bridge, mm; thickness of the block, mm.',
      tools: ['block', 'screwdriver'],
    },
    off: off('Slacken, push the ball out at the back of the block.', 'One string off sharpens all others.', [], ['springs']),
    fit: seated(
      'From the back through the block until the ball seats; it comes up to pitch before the next comes off.',
      'The bridge comes back to where it was string by string.',
      `${BALL_DOWN} The bridge floats where it did.`,
      [],
      ['springs', 'claw-screws'],
    ),
    seat: WITNESS,
  },
  'double-locking': {
    prepare: {
      does: 'Unlock the nut; note which way its pads lie. The string’s fine tuner to mid travel. Block the bridge if all come off.',
      why: 'Pads and tuners that are turned round cost the tuning range when the nut is locked again.',
      record: 'Which way the pad of each clamp lies; level of the bridge, mm; size of the key, mm.',
      tools: ['hex-keys', 'block', 'cutters'],
    },
    off: off(
      'Slacken, open its clamp in the block, take the end out.',
      'A clamp opened under pull throws the string.',
      ['hex-keys'],
      ['springs', 'slip'],
    ),
    fit: seated(
      'Cut the ball off, the end square into the clamp; screw it firm, not more. Under the retainer bar.',
      'A clamp that is too tight cuts the string; one that is askew lets it slip.',
      'The end reaches the bottom of the clamp and does not turn.',
      ['hex-keys', 'cutters'],
      ['over-clamped', 'slip', 'eyes'],
      'clamped',
    ),
    seat: '1 Stretch it a last time with the nut open. 2 Tune it, fine tuner at mid travel. 3 Lock its clamp with the hex key, firm and no more; then the fine tuner.',
  },
  headless: {
    prepare: {
      does: 'Eraser under a bridge that can fall. Tuners go out one by one.',
      why: 'The strings that are still at pitch hold neck and bridge.',
      record: 'Size of the key, mm.',
      tools: ['eraser', 'small-hex'],
    },
    off: off(
      'Unscrew the tuner to its outer end, open the clamp, twist the ball to free it.',
      'All of the screw’s travel is needed for slack and stretch; the ball sits tight in its pocket.',
      ['small-hex'],
      ['slip'],
    ),
    fit: seated(
      'Ball in its pocket, held with a hex key; the other end through the head clamp.',
      'The pocket holds the ball only while it is pulled.',
      'The tuner stands at its outer end, so that all its travel is left.',
      ['small-hex'],
      ['slip', 'over-clamped'],
    ),
    seat: 'Cut ends lie just inside their clamps. Eraser and block are out.',
  },
  'hooked-tailpiece': {
    prepare: {
      does: 'Mark the place of the bridge with pencil on tape, both feet.',
      why: 'The loose bridge stands only by tension, and its place is the intonation.',
      record: 'Fret 12 to the saddle, treble and bass side, mm.',
      tools: ['masking-tape', 'pencil'],
    },
    off: off('Slacken, unhook the loop.', 'The others hold the bridge meanwhile.', [], ['bridge-falls', 'loop-jumps']),
    fit: seated(
      'Loop over its own hook, then tension on it all the time with the fingers, or it jumps off.',
      'A loop holds only while it is pulled.',
      'The loop lies at the root of the hook; nothing crosses; the bridge stands on its mark.',
      [],
      ['loop-jumps', 'bridge-falls'],
      'hooked',
    ),
    seat: 'Slide the cover back; the bridge stands upright on its mark.',
  },
};
