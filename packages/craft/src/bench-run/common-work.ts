import type { Instrument } from '../instrument/index.js';
import type { Stretching } from '../methods/index.js';
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
  'look-over': {
    does: 'Does a fingernail catch in a groove at a fret under this string? Does the new string slide in its nut slot? Run it over your thumb: no loose wraps.',
    why: 'It can be seen only while the string is off.',
    check: 'What is found is noted below and stays in the passport.',
    record: 'What is found, where and how bad; relief, action, slot and saddle, mm.',
    done: 'looked over',
    tools: ['rule', 'straightedge', 'caliper'],
    cautions: ['repairer', 'specialist'],
  },
  wind: {
    does: 'Measure the slack, wind it down side by side, hold tension with the fingers all the while.',
    why: 'Slack at the post gives the turns, and the turns the break over the nut.',
    check: 'No turn crosses another; the string leaves on its own side.',
    record: 'The turns really obtained.',
    done: 'wound',
    tools: ['winder', 'cutters', 'rule'],
    cautions: ['stubs', 'eyes'],
  },
  'bring-up': {
    does: 'First all strings to about a whole tone under, then to the note, always from below. Look at the octave as well as the note.',
    why: 'The neck and the top take up the pull together; from below, the post holds it.',
    check: 'Note and octave are right on the tuner; a string tuned an octave high breaks.',
    record: null,
    done: 'at pitch',
    tools: ['tuner', 'eyes'],
    cautions: ['eyes'],
  },
} as const satisfies Record<string, Work>;

const STRETCHES: Readonly<Record<Stretching, string>> = {
  along: 'Fingers under, thumb above, move along the string, gently; retune; again until it stays.',
  sideways: 'Push it aside 25 to 40 mm in the middle of the neck, let it back; retune; again until it stays.',
  twist: 'Two fingers one side, thumb the other, and twist along the string; retune.',
  nodes: 'A firm pull at the nodes, frets 12, 7 and 5, once or twice; retune. Do not overstretch it.',
  dives: 'Stretch along by hand, then ten to twenty full dips of the vibrato; retune; again until it comes back.',
  light: 'Play it in and retune; pull at nothing.',
};

/** Stretching by hand in the school that is in force; what floats is brought home before the next string, and what creeps is come back to. */
export function settleWork({ family, bridge }: Pick<Instrument, 'family' | 'bridge'>, stretching: Stretching, soft: boolean): Work {
  const floats = bridge.anchor === 'floating-vibrato' || bridge.anchor === 'double-locking';
  return {
    does: [
      STRETCHES[stretching],
      ...(soft ? ['It moves for a day: every ten to twenty minutes at first, then hourly.'] : []),
      ...(floats ? ['Back to pitch before the next string.'] : []),
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

/** Tails, and what is seated at the anchor. */
export function trimWork({ strings }: Instrument, string: number, seat: string): Work {
  const style = strings[string]?.post.style;
  const tail =
    style === 'slotted'
      ? 'Its end is down in the post: nothing to cut there.'
      : style === 'clamp'
        ? 'Look at the head clamp.'
        : 'Cut the tail close to the post, turn the stub in.';
  return {
    does: `${tail} ${seat}`,
    why: 'A stub bleeds the owner and tears the case; a tail cut before the string held is a string lost.',
    check: 'No sharp end stands out; the string still holds its pitch.',
    record: null,
    done: 'trimmed',
    tools: style === 'slotted' || style === 'clamp' ? [] : ['cutters', 'bin'],
    cautions: ['stubs'],
  };
}
