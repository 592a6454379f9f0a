import type { Instrument } from '../instrument/index.js';
import type { StringProperties } from '../strings/index.js';
import type { Work } from './anchor-work.js';

/** Work that is alike at every anchor. */
export const COMMON_WORK = {
  bench: {
    does: 'Every tool to hand before the first string comes off. Check the tuner’s reference.',
    why: 'A half-strung instrument waits badly for a tool, and a reference that was knocked ruins the whole job.',
    check: 'The tuner shows the reference that was asked for.',
    done: 'ready',
    tools: ['winder', 'cutters', 'tuner', 'neck-rest', 'cloth', 'eyes', 'caliper', 'rule', 'bin'],
    cautions: ['choking', 'unplug'],
  },
  ready: {
    does: 'Take the string from its packet, read its label and mark, measure it, and lay it in its lane.',
    why: 'A wrong string that is fitted opens a second set, or leaves an intonation nobody can explain.',
    check: 'The gauge read is the gauge planned.',
    done: 'laid out',
    tools: ['caliper'],
    cautions: ['choking', 'unplug'],
  },
  'look-over': {
    does: 'Does a fingernail catch in a groove at a fret under this string? Does the new string slide in its nut slot? Run it over your thumb: no loose wraps.',
    why: 'It can be seen only while the string is off.',
    check: 'What is found is noted below and stays in the passport.',
    done: 'looked over',
    tools: ['rule'],
    cautions: ['repairer', 'specialist'],
  },
  wind: {
    does: 'Measure the slack, wind it down side by side, hold tension with the fingers all the while.',
    why: 'Slack at the post gives the turns, and the turns the break over the nut.',
    check: 'No turn crosses another; the string leaves on its own side.',
    done: 'wound',
    tools: ['winder', 'cutters', 'rule'],
    cautions: ['stubs', 'eyes'],
  },
  'bring-up': {
    does: 'First all strings to about a whole tone under, then to the note, always from below. Look at the octave as well as the note.',
    why: 'The neck and the top take up the pull together; from below, the post holds it.',
    check: 'Note and octave are right on the tuner; a string tuned an octave high breaks.',
    done: 'at pitch',
    tools: ['tuner', 'eyes'],
    cautions: ['eyes'],
  },
} as const satisfies Record<string, Work>;

/** Stretching by hand: gentler the smaller the body and the thicker the string. */
export function settleWork({ family, bridge }: Instrument, construction: StringProperties['construction'] | undefined): Work {
  const soft = construction === 'nylon' || construction === 'fluorocarbon' || construction === 'gut';
  const does =
    family === 'bass'
      ? 'A firm pull at the nodes, frets 12, 7 and 5, once or twice; retune. Do not overstretch it.'
      : soft || family === 'ukulele'
        ? 'Two fingers one side, thumb the other, and twist along the string; retune. It moves for a day: every ten to twenty minutes at first, then hourly.'
        : 'Fingers under, thumb above, move along the string, gently; retune; again until it stays.';
  return {
    does: bridge.anchor === 'floating-vibrato' ? `${does} Back to pitch before the next string.` : does,
    why:
      family === 'bass' ? 'Overstretching ruins a bass string.' : 'What would give later gives now; the drop of each round is the measure.',
    check:
      'If it is sharp, stretch: never slacken to pitch. A drop that does not shrink from round to round is slip: look at anchor and post.',
    done: 'settled',
    tools: ['tuner'],
    cautions: ['eyes'],
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
    done: 'trimmed',
    tools: style === 'slotted' || style === 'clamp' ? [] : ['cutters', 'bin'],
    cautions: ['stubs'],
  };
}
