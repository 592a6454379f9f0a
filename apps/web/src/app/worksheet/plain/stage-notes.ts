import type { AnchorKind } from '@gold-peg/craft/instrument';
import type { StringStage } from '@gold-peg/craft/worksheet';

/** What is done to one string at a stage, its check, and what can hurt or scrap there. */
export interface StageNote {
  title: string;
  does: string;
  check: string;
  done: string;
  caution: string;
}

export type PlainStageKind = Exclude<StringStage, 'wind'>;

const EYES = 'Keep eyes and face away from a string that comes up to pitch.';

/** Stages that are alike for every bridge. */
const COMMON: Readonly<Record<Exclude<PlainStageKind, 'anchor' | 'strip'>, StageNote>> = {
  ready: {
    title: 'Lay out the new strings',
    does: 'Take the string from its packet, read its label, measure it, and lay it in its lane. Winder, cutters, tuner, cloth, neck rest and eye protection are to hand before the first string comes off.',
    check: 'The gauge read is the gauge planned; the tuner’s reference is the one asked for.',
    done: 'laid out',
    caution: 'Children: string ends, pins and balls are a choking hazard. Unplug what is connected to an amplifier.',
  },
  'look-over': {
    title: 'Look over what the old string hid',
    does: 'Does a fingernail catch in a groove at a fret under this string? Does the new string slide in its nut slot? Run it over your thumb: no loose wraps.',
    check: 'What is found is noted below and stays in the passport.',
    done: 'looked over',
    caution:
      'Frets, nut files, truss rods and bridges that lift go to a qualified repairer. Soft old lacquer and protected woods are a specialist’s work.',
  },
  'bring-up': {
    title: 'Bring up to pitch',
    does: 'First all strings to about a whole tone under, then to the note, always from below. Look at the octave as well as the note.',
    check: 'Note and octave are right on the tuner; a string tuned an octave high breaks.',
    done: 'at pitch',
    caution: EYES,
  },
  settle: {
    title: 'Settle by hand',
    does: 'Fingers under, thumb above, move along the string, gently; retune; again until it stays. If it is sharp, stretch: never slacken to pitch.',
    check: 'The drop is a few cents and shrinks from round to round. One that does not shrink is slip: look at anchor and post.',
    done: 'settled',
    caution: `${EYES} Do not yank at the bridge of a small instrument, nor overstretch a bass string.`,
  },
  trim: {
    title: 'Trim and seat',
    does: 'Cut the tail close to the post, turn the stub in. Press the string down at the saddle to make its bend.',
    check: 'No sharp end stands out; the string still holds its pitch.',
    done: 'trimmed',
    caution: 'Stubs are needle sharp: hold the offcut while you cut it, coil it, bin it now. See a clinician if a wound is deep or dirty.',
  },
};

const STRIP: StageNote = {
  title: 'Slacken, then take off',
  does: 'Let the tension out at the peg until the string is limp, then cut it if you must, and take it out at both ends.',
  check: 'Both ends are out, and no piece is left in the body or on the floor.',
  done: 'off',
  caution: 'Never cut under tension: the end whips and the neck jumps. Coil loose ends and bin them at once.',
};

const STRIP_AT: Partial<Record<AnchorKind, Partial<StageNote>>> = {
  pins: {
    does: 'Slacken. Lever the pin under its shoulder; a stuck one is pushed from inside. Never grip its tip.',
    caution:
      'Never cut under tension. Lever pins by the shoulder: pliers on the tip break it. Count the old ball ends: one left inside will rattle.',
  },
  'tie-block': { does: 'Slacken, loosen the tie, pull the end through the block.' },
  'resting-vibrato': {
    does: 'One at a time: slacken, push the ball out at the back of the block.',
    caution: 'Springs behind the cover plate are under load. Never cut under tension.',
  },
  'hooked-tailpiece': {
    does: 'One at a time: slide the cover back, slacken, unhook. The bridge stands only by tension: mark its place first.',
    caution: 'One string at a time, or the loose bridge falls. Loops jump off their hooks: eyes away.',
  },
};

const ANCHOR: Readonly<Record<AnchorKind, StageNote>> = {
  pins: {
    title: 'Seat the ball under the plate',
    does: 'A small bend just above the ball. Ball down the hole, slot of the pin toward the saddle; press lightly while you pull the string up until the ball catches under the plate.',
    check: 'Thumb over the pin: it does not creep. One that creeps is pushed back by hand.',
    done: 'seated',
    caution: 'Never hammer a pin: the sideways pull of the string holds it. Eyes clear of the pin while the first turns go on.',
  },
  'tie-block': {
    title: 'Tie at the block',
    does: 'Soft end from the saddle side through the hole, over the block, under its own standing part, tucked under the loop: wound strings once or twice, smooth trebles two or three times. Tail about 75 mm before tying.',
    check: 'The last crossing lies behind the edge of the block, not on top. Pull along the neck, never upward.',
    done: 'tied',
    caution: 'Never kink the speaking part: it breaks there. A tie that runs lets the end fly at the top.',
  },
  'top-load': {
    title: 'Thread through the bridge',
    does: 'Thread from the back until the ball seats. Cloth or tape behind the bridge; tape only on hard modern finishes.',
    check: 'The ball sits square in its seat; the string lies in its saddle.',
    done: 'seated',
    caution: 'Thick bass strings whip: hold the free end. Old soft lacquer takes a cloth, never tape.',
  },
  'knot-in-slot': {
    title: 'Knot in its slot',
    does: 'A small overhand knot, pulled tight; slide the string into its slot from below until the knot is snug.',
    check: 'The knot cannot pass the slot: tie it twice in a thin string.',
    done: 'seated',
    caution: 'A knot too small jumps out and the end flies: eyes away while it comes up.',
  },
  'wrap-and-tuck': {
    title: 'Wrap and tuck',
    does: 'In from the sound-hole side with about 40 mm through; three wraps round itself, toward the next string, snug with padded pliers; tuck the tail under the next string’s wraps. The last string is wrapped the other way, so that both tails lock.',
    check: 'All strings are anchored before any is tightened: tails are fed through one another.',
    done: 'wrapped',
    caution: 'Pliers slip: pad them, and pull away from the top.',
  },
  'through-body': {
    title: 'Through the body',
    does: 'From the back through its ferrule until the ball seats; the string over its saddle.',
    check: 'The ball sits in its ferrule; the break over the saddle is clear.',
    done: 'seated',
    caution: 'Keep the points off the finish: a string end scratches lacquer and skin.',
  },
  'stop-tailpiece': {
    title: 'Through the tailpiece',
    does: 'Hold the tailpiece on its studs. Thread away from the body; the first string under light tension holds it.',
    check: 'The tailpiece stands the right way round and on both studs.',
    done: 'seated',
    caution: 'A tailpiece without strings falls off and dents the top: hold it.',
  },
  'wrap-around': {
    title: 'Over the bridge',
    does: 'Enter from the neck side, draw the ball to its seat, and wrap the string over the top.',
    check: 'The ball is at the bottom of its hole; the bridge stands on both studs.',
    done: 'seated',
    caution: 'A bridge without strings falls off and dents the top: hold it.',
  },
  'floating-vibrato': {
    title: 'Through the block',
    does: 'One at a time, or with the bridge blocked level: from the back through the block until the ball seats.',
    check: 'The ball is at the bottom of its hole; the bridge floats where it did.',
    done: 'seated',
    caution: 'Springs behind the cover plate are under load. All strings off: it falls back.',
  },
  'double-locking': {
    title: 'Into its clamp',
    does: 'Cut the ball off; the end square into the clamp block; screw it firm, not more.',
    check: 'The end reaches the bottom of the clamp and does not turn.',
    done: 'clamped',
    caution: 'Too tight cuts the string or cracks the block. The cut ball flies: eye protection.',
  },
  headless: {
    title: 'Ball in its pocket',
    does: 'Head end through the clamp, ball in the pocket, held with a hex key; pull tight and bend, thumb on the bend.',
    check: 'The tuner stands at its outer end, so that all its travel is left.',
    done: 'seated',
    caution: 'Clamp firm, not enough to cut; draw the cut end just inside, so that nothing sharp stands out.',
  },
  'resting-vibrato': {
    title: 'Through the block',
    does: 'From the back through the block until the ball seats; the string over its saddle.',
    check: 'The ball is at the bottom of its hole; the bridge still rests on the body.',
    done: 'seated',
    caution: 'Springs behind the cover plate are under load: fingers and hex keys slip.',
  },
  'hooked-tailpiece': {
    title: 'Loop over its hook',
    does: 'Loop over its own hook, then tension on it all the time with the fingers, or it jumps off.',
    check: 'The loop lies at the root of the hook; nothing crosses; the bridge stands on its mark.',
    done: 'hooked',
    caution: 'A loop that jumps off its hook flies: eyes away, hand on the string.',
  },
};

export function stageNote(stage: PlainStageKind, anchor: AnchorKind): StageNote {
  if (stage === 'anchor') return ANCHOR[anchor];
  if (stage === 'strip') return { ...STRIP, ...STRIP_AT[anchor] };
  return COMMON[stage];
}
