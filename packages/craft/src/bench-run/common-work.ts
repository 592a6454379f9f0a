import { floats, isVibrato, type AnchorKind, type Bridge, type Instrument, type PostStyle } from '../instrument/index.js';
import type { CutTiming, Stretching } from '../methods/index.js';
import type { Work } from './anchor-work.js';

/** Work that is alike at every anchor. */
export const COMMON_WORK = {
  bench: {
    does: 'Every tool to hand before the first string comes off. Check the tuner’s reference.',
    why: 'A half-strung instrument waits badly for a tool, and a reference that was knocked ruins the whole job.',
    check: 'The tuner shows the reference that was asked for.',
    record: 'The reference of the tuner, Hz; sizes of keys and block, mm.',
    done: 'ready',
    tools: ['winder', 'cutters', 'tuner', 'neck-rest', 'cloth', 'eyes', 'caliper', 'rule', 'bin'],
    cautions: ['choking', 'unplug'],
  },
  ready: {
    does: 'Take the string from its packet, read its label and mark, measure it, and lay it in its lane.',
    why: 'A wrong string that is fitted opens a second set, or leaves an intonation nobody can explain.',
    check: 'The gauge read is the gauge planned.',
    record: 'The gauge read, mm.',
    done: 'laid out',
    tools: ['caliper'],
    cautions: ['choking', 'unplug'],
  },
} as const satisfies Record<string, Work>;

/** How one string is held at its head, and by which string it is. */
interface AtPost {
  style: PostStyle | undefined;
  bass: boolean;
}

/** What can be seen only while the string is off. */
export const lookOverWork = ({ style }: AtPost): Work => ({
  does: `Does a fingernail catch in a groove at a fret under this string? Does the new string slide in its nut slot? Run it over your thumb: no loose wraps. ${
    style === 'clamp'
      ? 'Is the screw of its clamp sound?'
      : `Is the ${style === 'friction' ? 'screw of its peg' : 'nut of its post'} loose? Snug it, and keep what comes off.`
  }`,
  why: 'It can be seen only while the string is off.',
  check: 'What is found is noted below and stays in the passport.',
  record: 'What is found, where and how bad; relief, action, slot and saddle, mm.',
  done: 'looked over',
  tools: ['rule', 'straightedge', 'caliper', ...(style === 'friction' ? (['screwdriver'] as const) : [])],
  cautions: ['repairer', 'specialist', ...(style === 'clamp' ? [] : (['loose-nut'] as const))],
});

const FRICTION = 'Set the screw of the peg so that it turns smoothly and holds: between slipping and too stiff.';

export const windWork = ({ style, bass, soft }: AtPost & { soft: boolean }): Work => ({
  does: [
    ...(bass ? ['Let it untwist and hang straight before it is fixed.'] : []),
    'Measure the slack, wind it down side by side, hold tension with the fingers all the while.',
    ...(bass ? ['Where bare core shows past the winding, the winding lies on the post, not its taper.'] : []),
    ...(style === 'friction' ? [FRICTION] : []),
  ].join(' '),
  why: 'Slack at the post gives the turns, and the turns the break over the nut.',
  check: 'No turn crosses another; the string leaves on its own side.',
  record: 'The turns really obtained.',
  done: 'wound',
  tools: ['winder', 'cutters', 'rule', ...(style === 'friction' ? (['screwdriver'] as const) : [])],
  cautions: [...(soft ? (['loose-ends'] as const) : (['cut-ends'] as const)), 'eyes', ...(bass ? (['untwists'] as const) : [])],
});

/**
 * Bring up, which each string passes twice: when it bears pull for the first time, and once more when all do. `together`: several strings were off, so that the
 * first pass stays a whole tone under; where one comes off at a time it goes to pitch and is stretched lightly before the next comes off. `alone`: the job is
 * about one string.
 */
export function bringUpWork(
  { family, bridge }: Pick<Instrument, 'family' | 'bridge'>,
  { firstPass, together, soft, alone }: { firstPass: boolean; together: boolean; soft: boolean; alone: boolean },
): Work {
  const untwist = family === 'bass' ? 'Let it untwist, press it into its slot. ' : '';
  const does = !firstPass
    ? `To its note once more, from below, ${alone ? 'and the others with it' : 'all strings in turn'}: each has let the others down.${isVibrato(bridge) ? ' Again in passes, until none has moved.' : ''}`
    : together
      ? `${untwist}To about a whole tone under its note, from below; the note itself when all strings pull.`
      : `${untwist}To its note, from below. ${soft ? 'Twist it once' : 'One light stretch'}, and to the note again${alone ? '' : '; only then the next string'}.`;
  return {
    does: `${does} Look at the octave as well as the note.${firstPass ? '' : playingPosition(bridge)}`,
    why:
      firstPass && !together
        ? 'Neck and bridge stay loaded; tuned from below it holds.'
        : 'Neck and top take up the pull together; tuned from below it holds.',
    check: 'Note and octave are right on the tuner; a string tuned an octave high breaks.',
    record: null,
    done: firstPass ? (together ? 'near pitch' : 'up, stretched once') : 'at pitch',
    tools: ['tuner', 'eyes'],
    cautions: ['eyes'],
  };
}

/** A bridge that moves: every string that is tuned moves it, and with it the others. */
export const balanceWork = ({ bridge }: Pick<Instrument, 'bridge'>): Work => ({
  does: `${floats(bridge) ? 'The claw first, so that it floats level;' : 'The claw first, so that it rests firmly and no more;'} then hear all strings as they stand, set each to its mark in one pass, and hear all again.`,
  why: 'Each string that is tuned lets the others down: tuned one after another to their notes they need many rounds, to their marks one or two.',
  check: `All are in tune where they are, and the bridge ${floats(bridge) ? 'floats level' : 'rests on the body'}.${playingPosition(bridge)}`,
  record: 'Turns of the claw screws; how level the bridge stands, mm.',
  done: 'balanced',
  tools: ['tuner', 'screwdriver', 'eyes'],
  cautions: ['claw-screws', 'eyes'],
});

const playingPosition = (bridge: Bridge): string =>
  bridge.anchor === 'headless'
    ? ' Eraser out; then look at bridge and pitch in playing position.'
    : isVibrato(bridge)
      ? ' Judge it in playing position: lying on its back the weight of the bridge moves the pitch.'
      : '';

const STRETCHES: Readonly<Record<Stretching, string>> = {
  along: 'Fingers under, thumb above, move along the string, gently; retune; again until it stays.',
  sideways: 'Push it aside 25 to 40 mm in the middle of the neck, let it back; retune; again until it stays.',
  twist: 'Two fingers one side, thumb the other, and twist along the string; retune.',
  nodes: 'A firm pull at the nodes, frets 12, 7 and 5, once or twice; retune. Do not overstretch it.',
  dives: 'Stretch along by hand; retune; again until it stays.',
  light: 'Play it in and retune; pull at nothing.',
};
const DIVES = {
  later: 'The dips come once, after the last string.',
  now: 'It is the last: now ten to twenty full dips of the vibrato, once; then tune all again.',
} as const;

/**
 * Stretching by hand in the school that is in force; what floats is brought home before the next string, dips come once when all are done, a tie is drawn tight by
 * the first stretch, and what creeps is come back to.
 */
export function settleWork(
  { family, bridge }: Pick<Instrument, 'family' | 'bridge'>,
  { stretching, soft, last }: { stretching: Stretching; soft: boolean; last: boolean },
): Work {
  return {
    does: [
      ...(bridge.anchor === 'tie-block' ? ['Pull its tie tight at the first stretch.'] : []),
      ...(bridge.anchor === 'double-locking' ? ['The nut stays open.'] : []),
      STRETCHES[stretching],
      ...(stretching === 'dives' ? [last ? DIVES.now : DIVES.later] : []),
      ...(soft ? ['It moves for a day: every ten to twenty minutes at first, then hourly.'] : []),
      ...(floats(bridge) ? ['Back to pitch before the next string.'] : []),
    ].join(' '),
    why:
      family === 'bass' ? 'Overstretching ruins a bass string.' : 'What would give later gives now; the drop of each round is the measure.',
    check:
      'If it is sharp, stretch: never slacken to pitch. A drop that does not shrink from round to round is slip: look at anchor and post.',
    record: 'Cents lost in each round.',
    done: 'settled',
    tools: ['tuner'],
    cautions: bridge.anchor === 'hooked-tailpiece' ? ['eyes', 'bridge-falls'] : ['eyes'],
  };
}

interface Tail {
  anchor: AnchorKind;
  style: PostStyle | undefined;
  soft: boolean;
  /** When its tail is cut in the ways in force. */
  cut: CutTiming['when'];
  /** What is seated at its anchor. */
  seat: string;
}

/** Tails, and what is seated at the anchor. */
export function trimWork({ anchor, style, soft, cut, seat }: Tail): Work {
  const cuts = style !== 'slotted' && style !== 'clamp' && (soft || cut === 'after-it-holds');
  const tail =
    style === 'slotted'
      ? 'Its end is down in the post: nothing to cut there.'
      : style === 'clamp'
        ? 'It was cut at its clamp before pitch: look that nothing sharp stands out.'
        : soft
          ? 'Once it has held for a night, cut the tail to 12 to 25 mm; it is not turned in.'
          : cuts
            ? 'Cut the tail close to the post, turn the stub in.'
            : 'Its tail was cut to the mark: nothing to cut, look that the stub is turned in.';
  const peg = style === 'friction' ? ` ${FRICTION}` : '';
  return {
    does: `${tail} ${seat}${peg}`,
    why: soft
      ? 'Soft strings go on moving for a day: a tail cut before the tie held is a string lost.'
      : 'A stub bleeds the owner and tears the case; a tail cut before the string held is a string lost.',
    check: soft ? 'The tie still holds; no tail touches the top.' : 'No sharp end stands out; the string still holds its pitch.',
    record: null,
    done: 'trimmed',
    tools: [
      ...(cuts ? (['cutters', 'bin'] as const) : []),
      ...(style === 'friction' ? (['screwdriver'] as const) : []),
      ...(anchor === 'double-locking' ? (['hex-keys', 'tuner'] as const) : anchor === 'headless' ? (['small-hex'] as const) : []),
    ],
    cautions: soft ? ['tie-runs'] : ['stubs'],
  };
}
