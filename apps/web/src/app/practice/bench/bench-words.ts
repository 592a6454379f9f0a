import type { Mistake, MistakeKind, OnBench, Restring } from '@gold-peg/craft/restring';
import type { Skill } from '@gold-peg/craft/skills';

/** How an end may be fixed, as it is said where it is chosen. */
export const ANCHOR_WORDS: Readonly<Record<string, string>> = {
  'ball-against-plate': 'ball against the plate, pin pressed in',
  'ball-under-pin': 'ball under the tip of the pin',
  'ball-half-up': 'pin in, ball hanging below the plate',
  'last-behind-edge': 'tucked, last crossing behind the edge',
  'last-on-top': 'tucked, last crossing on top of the block',
  'not-tucked': 'once round, its end not tucked',
  'knot-drawn-tight': 'knot drawn tight, down in its slot',
  'knot-loose': 'knot in its slot, not drawn tight',
  'knot-too-small': 'one simple knot',
  'tucked-under-neighbour': 'three wraps, tail under the neighbour',
  'tail-free': 'three wraps, tail left free',
  'wrapped-once': 'one wrap, tail under the neighbour',
  'ball-home': 'ball home in its seat, string straight',
  'ball-on-edge': 'ball on the edge of its seat',
  'string-crosses': 'ball home, string across its neighbour',
  'clamp-snug': 'clamped snug, string held straight',
  'clamp-loose': 'clamped finger tight',
  'clamp-hard': 'clamped as hard as it goes',
  'loop-round-hook': 'loop all round its hook',
  'loop-on-edge': 'loop on the lip of the hook',
  'loop-twisted': 'loop round the hook, twisted once',
};

interface MistakeWords {
  title: string;
  why: (figure: number, restring: Restring) => string;
  /** Where the product shows how it is done: a stage of the worksheet, or a skill to practise. */
  shown: string;
  skill?: Skill;
}

const WORDS: Readonly<Record<MistakeKind, MistakeWords>> = {
  'cut-under-tension': {
    title: 'Cut under tension',
    why: (pull) => `It pulled ${pull.toFixed(0)} N: the end whips, and the neck jumps. Let it down first.`,
    shown: 'Strip',
  },
  'too-many-off': {
    title: 'Too many off at once',
    why: (off, { instrument }) =>
      instrument.bridge.anchor === 'hooked-tailpiece'
        ? `${off} strings off: the loose bridge stands only by tension, it fell and its place is lost.`
        : `${off} strings off: the bridge falls back on its springs. Block it level, or take them off as they can be.`,
    shown: 'Strip',
    skill: 'order',
  },
  'tails-not-tucked-yet': {
    title: 'Wound before all were anchored',
    why: () => 'Each tail lies under its neighbour’s wraps: once one is tight, the next cannot be tucked.',
    shown: 'Anchor',
  },
  anchor: {
    title: 'The end gave way',
    why: () => 'It slips each time that it is brought up: it looks like stretch, and does not end. Fix it anew.',
    shown: 'Anchor',
    skill: 'stretch-or-slip',
  },
  sinks: {
    title: 'The end was not home',
    why: (mm) => `It sank ${mm.toFixed(1)} mm under the stretch: look at it, and press it home before.`,
    shown: 'Anchor',
  },
  'other-side': {
    title: 'Wound the other way',
    why: (degrees) => `It leaves on the outer side: it goes through its slot askew, by ${degrees.toFixed(1)}°.`,
    shown: 'Wind',
    skill: 'winding-side',
  },
  'too-short': {
    title: 'Too short: scrap',
    why: (mm) => `${mm.toFixed(0)} mm of slack do not reach round the post.`,
    shown: 'Wind',
    skill: 'slack',
  },
  'post-full': {
    title: 'More turns than the post holds',
    why: (turns) => `${turns.toFixed(1)} turns: they climb over one another, and slip.`,
    shown: 'Wind',
    skill: 'slack',
  },
  crossing: {
    title: 'One turn crosses another',
    why: () => 'Under stretch it slips off: about 14 ¢ a round, for five rounds, and looks like a string that will not settle.',
    shown: 'Wind',
    skill: 'fault',
  },
  'octave-over': {
    title: 'Broke: on its way to the octave above',
    why: (cents) =>
      `It broke ${(cents / 100).toFixed(1)} semitones over its note. The ear hears the note, not its octave: look where it is first.`,
    shown: 'Bring up',
    skill: 'octave',
  },
  over: {
    title: 'Broke: brought up too far',
    why: (cents) => `It broke ${cents.toFixed(0)} ¢ from its note, or behind its nut: small turns near the note, from below.`,
    shown: 'Bring up',
    skill: 'octave',
  },
  notched: {
    title: 'Broke where its clamp notched it',
    why: () => 'A clamp that is too tight takes a third of its strength: snug is enough.',
    shown: 'Anchor',
  },
  slips: {
    title: 'The turns do not hold',
    why: (turns) => `${turns.toFixed(1)} turns and no lock: it slips before its pull is there.`,
    shown: 'Wind',
    skill: 'slack',
  },
  'low-angle': {
    title: 'Low over the nut',
    why: (degrees) => `With so few turns it breaks over the nut by ${degrees.toFixed(1)}°: it may lift and buzz.`,
    shown: 'Wind',
    skill: 'nut-angle',
  },
  'judged-early': {
    title: 'Said to hold too early',
    why: (cents) =>
      Number.isFinite(cents) ? `The next stretch would cost it ${cents.toFixed(0)} ¢.` : 'It does not even sound after the next stretch.',
    shown: 'Settle',
    skill: 'stretch-or-slip',
  },
  'trimmed-early': {
    title: 'Tail cut before it held',
    why: (rounds) => `After ${rounds} ${rounds === 1 ? 'round' : 'rounds'}, not judged: a string that slips now cannot be wound again.`,
    shown: 'Trim',
  },
  'eyes-bare': { title: 'Eyes not covered', why: () => 'A string flew, and nothing was before the eyes.', shown: 'Ready' },
  'nut-shut': {
    title: 'Turned against a nut that is shut',
    why: () => 'The peg pulls only what lies behind the clamp, until that breaks. Open it first.',
    shown: 'Strip',
  },
  'bad-end': {
    title: 'Its end is not fixed as it should be',
    why: (pull) => `It did not show yet: it gives way at about ${pull.toFixed(0)} N. Fix it anew.`,
    shown: 'Anchor',
    skill: 'fault',
  },
  'flush-tail': {
    title: 'Its tail is cut flush',
    why: (pull) =>
      `Nothing is bent behind the hole any more: its turns hold ${pull.toFixed(0)} N, and a hard stretch asks for more. Leave 3 mm.`,
    shown: 'Trim',
    skill: 'fault',
  },
  bent: {
    title: 'Broke where it was bent before',
    why: () =>
      'A string that was wound once lost a seventh of its strength at the edge of its post. Let it down no farther than it need be.',
    shown: 'Bring up',
  },
  'not-home': {
    title: 'Its end is not home',
    why: (mm) => `It did not show yet: it will sink by ${mm.toFixed(1)} mm, and the string goes flat. Press it home.`,
    shown: 'Anchor',
  },
  'still-cold': {
    title: 'Said to hold while the neck was cold',
    why: (cents) =>
      `As the neck warms to the room the string ${cents > 0 ? 'rises' : 'falls'} by ${Math.abs(cents).toFixed(0)} ¢. Let it lie first, or tune it again.`,
    shown: 'Settle',
  },
  'peg-creeps': {
    title: 'Its peg turns back by itself',
    why: (pull) =>
      `Its screw holds up to ${pull.toFixed(0)} N: more, and it lets go. It looks like stretch that does not end. Snug the screw by an eighth.`,
    shown: 'Wind',
    skill: 'stretch-or-slip',
  },
  'peg-stiff': {
    title: 'Its peg is too stiff',
    why: (degrees) => `It jumps by about ${degrees.toFixed(0)}° at once: no note is met like this. Ease its screw.`,
    shown: 'Ready',
  },
};

export interface SaidMistake {
  string: number | null;
  title: string;
  why: string;
  shown: string;
  skill: Skill | null;
}

/** What went wrong, the latest first. */
export const sayMistakes = (restring: Restring, { mistakes }: OnBench): SaidMistake[] =>
  mistakes.toReversed().map((mistake: Mistake) => {
    const { title, why, shown, skill = null } = WORDS[mistake.kind];
    return { string: mistake.string, title, why: why(mistake.figure, restring), shown, skill };
  });
