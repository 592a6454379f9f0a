import {
  BUILT_IN_TURNS,
  FINE_WORK,
  HOLDS,
  METHOD_LAYERS,
  type LayeredChoices,
  type MethodChoices,
  type MethodLayer,
  type StringClass,
} from '@gold-peg/craft/methods';

const STEEL = {
  'kink-lock': 'kink lock',
  'over-one-under-rest': 'over one, under the rest',
  'wind-down': 'wound down, no lock',
  'under-all': 'all turns under the tail',
  'over-last': 'the last over the tail',
  'turns-first': 'turns first',
  'crossing-turn': 'turns first, one crossing',
} as const;

/** What may be chosen besides turns, with the words of its choices. */
export const CHOICES = {
  plainFixing: { label: 'plain steel through a hole', words: STEEL, builtIn: 'kink-lock' },
  woundFixing: { label: 'wound steel through a hole', words: STEEL, builtIn: 'over-one-under-rest' },
  softFixing: {
    label: 'nylon, fluorocarbon, gut',
    words: {
      'loop-tie': 'loop tie',
      'twice-through': 'twice through',
      'kink-lock': 'kink lock',
      'turns-first': 'turns first',
      'wind-down': 'wound down, no lock',
    },
    builtIn: 'loop-tie',
  },
  cutTime: {
    label: 'the tail, where there is a choice',
    words: { 'before-winding': 'cut before winding', 'after-winding': 'cut once wound', 'after-it-holds': 'cut once it holds' },
    builtIn: 'before-winding',
  },
  stripping: {
    label: 'strings come off',
    words: { 'one-at-a-time': 'one at a time', pairs: 'in pairs', 'all-off': 'all together' },
    builtIn: 'one-at-a-time',
  },
  stringOrder: {
    label: 'in this order',
    words: {
      'low-first': 'low first',
      'high-first': 'high first',
      'outside-in': 'outside in',
      'inside-out': 'inside out',
      alternating: 'bass and treble in turn',
      'toward-middle': 'basses up, then trebles down',
    },
    builtIn: 'low-first',
  },
  anchoring: {
    label: 'where several are off',
    words: { 'each-wound-at-once': 'wind each at once', 'all-anchored-first': 'anchor all first' },
    builtIn: 'each-wound-at-once',
  },
  stretching: {
    label: 'new strings are stretched',
    words: {
      along: 'pulled along',
      sideways: 'shifted sideways',
      twist: 'twisted',
      nodes: 'pulled at the nodes',
      dives: 'by vibrato dives',
      light: 'lightly or not',
    },
    builtIn: 'by the kind of string',
  },
  tieSmooth: {
    label: 'smooth strings through a tie block',
    words: { 'once-through': 'once through', 'twice-through': 'twice through' },
    builtIn: 'twice-through',
  },
} as const satisfies Record<string, { label: string; words: Readonly<Record<string, string>>; builtIn: string }>;
export type ChoiceKey = keyof typeof CHOICES;
export const CHOICE_KEYS = Object.keys(CHOICES) as ChoiceKey[];

const CLASSES: Readonly<Record<StringClass, string>> = {
  'thin-plain': 'thin plain',
  middle: 'middle, plain or wound',
  'thick-wound': 'thick wound',
  bass: 'bass, all',
  'bass-a': 'bass, its A',
  'bass-low': 'bass, the lowest',
  'mandolin-plain': 'mandolin treble',
  'mandolin-wound': 'mandolin bass',
  'soft-plain': 'nylon treble',
  'soft-wound': 'nylon bass',
};

export const LAYER_NAMES: Readonly<Record<MethodLayer, string>> = { instrument: 'this instrument', technician: 'you', house: 'the house' };

/** One way that may be chosen, as each layer has it; null where a layer leaves it. */
export interface WayRow {
  key: string;
  label: string;
  layers: Readonly<Record<MethodLayer, string | null>>;
  builtIn: string;
  /** Whose choice is in force. */
  from: MethodLayer | 'built-in';
  /** What there is to choose from; null for a number. */
  choices: readonly { value: string; words: string }[] | null;
}

/** What stands under the key of a row; null where nothing does. */
export function wayIn(choices: MethodChoices, key: string): string | null {
  const [what = '', of = ''] = key.split(' ');
  const ways: Readonly<Record<string, unknown>> = {
    ...choices,
    turns: choices.turns?.[of as StringClass],
    most: choices.mostTurns?.[of as StringClass],
    'string-turns': choices.strings?.[of]?.turns,
    'string-most': choices.strings?.[of]?.most,
    'string-offset': choices.strings?.[of]?.offsetCents,
  };
  const way = ways[what];
  return typeof way === 'number' || typeof way === 'string' ? String(way) : null;
}

function layersOf(key: string, all: LayeredChoices): Pick<WayRow, 'layers' | 'from'> {
  const read = (choices: MethodChoices = {}) => wayIn(choices, key);
  const layers = { instrument: read(all.instrument), technician: read(all.technician), house: read(all.house) };
  return { layers, from: METHOD_LAYERS.find((layer) => layers[layer] !== null) ?? 'built-in' };
}

const rowOf = (key: string, label: string, builtIn: string, all: LayeredChoices): WayRow => ({
  key,
  label,
  builtIn,
  choices: null,
  ...layersOf(key, all),
});

/** Turns of each class, and the most of them. */
export const turnRows = (classes: readonly StringClass[], all: LayeredChoices): WayRow[] =>
  classes.flatMap((each) => [
    rowOf(`turns ${each}`, CLASSES[each], String(BUILT_IN_TURNS[each].turns), all),
    rowOf(`most ${each}`, `${CLASSES[each]}, at most`, String(BUILT_IN_TURNS[each].mostTurns), all),
  ]);

/** Turns of one string by itself, and the most of them. */
export const stringRows = (number: number, all: LayeredChoices): WayRow[] => [
  rowOf(`string-turns ${number}`, `string ${number} alone`, 'by its class', all),
  rowOf(`string-most ${number}`, `string ${number}, at most`, 'by its class', all),
];

/** Where one string is tuned beside its note. */
export const offsetRows = (number: number, all: LayeredChoices): WayRow[] => [
  rowOf(`string-offset ${number}`, `string ${number} beside its note, ¢`, '0', all),
];

/** Numbers at the post and at the bridge. */
export const NUMBERS = {
  stubMm: { label: 'stub left standing, mm', builtIn: 'by the fixing' },
  nutDeg: { label: 'angle wanted over the nut, °', builtIn: 'by the head' },
  tucksSmooth: { label: 'tucks of a smooth string', builtIn: '2 or 3' },
  tucksWound: { label: 'tucks of a wound string', builtIn: '1 or 2' },
  toleranceCents: { label: 'settled once a round costs at most, ¢', builtIn: String(FINE_WORK) },
  heldSeconds: { label: 'ticked by itself once held for, s', builtIn: '0.5' },
  driftCents: { label: 'nylon tuned again before it is off by, ¢', builtIn: String(HOLDS.cents) },
  holdHours: { label: 'and holds once it keeps that for, h', builtIn: String(HOLDS.hours) },
} as const;
export type NumberKey = keyof typeof NUMBERS;
export const NUMBER_KEYS = Object.keys(NUMBERS) as NumberKey[];
export const numberRows = (keys: readonly NumberKey[], all: LayeredChoices): WayRow[] =>
  keys.map((key) => rowOf(key, NUMBERS[key].label, NUMBERS[key].builtIn, all));

export const choiceRows = (keys: readonly ChoiceKey[], all: LayeredChoices): WayRow[] =>
  keys.map((key) => {
    const { label, builtIn } = CHOICES[key];
    const words: Readonly<Record<string, string>> = CHOICES[key].words;
    return {
      key,
      label,
      builtIn: words[builtIn] ?? builtIn,
      choices: Object.entries(words).map(([value, says]) => ({ value, words: says })),
      ...layersOf(key, all),
    };
  });

const OF_STRING = { 'string-turns': 'turns', 'string-most': 'most', 'string-offset': 'offsetCents' } as const;

/** The choices with one number changed, by the key of its row; null takes it back. */
export function withNumber(choices: MethodChoices, key: string, value: number | null): MethodChoices {
  const [what = '', of = ''] = key.split(' ');
  switch (what) {
    case 'turns':
      return { ...choices, turns: changed(choices.turns, of, value) };
    case 'most':
      return { ...choices, mostTurns: changed(choices.mostTurns, of, value) };
    case 'string-turns':
    case 'string-most':
    case 'string-offset': {
      const field = OF_STRING[what];
      const own = changed(choices.strings?.[of], field, value);
      return { ...choices, strings: changed(choices.strings, of, Object.keys(own).length === 0 ? null : own) };
    }
    default:
      return changed(choices, what, value);
  }
}

/** A record with one entry changed; null takes it out. */
function changed<T extends object>(of: T | undefined, key: string, value: unknown): T {
  const rest = Object.fromEntries(Object.entries(of ?? {}).filter(([each]) => each !== key));
  return (value === null ? rest : { ...rest, [key]: value }) as T;
}

/** The choices with the way under the key of a row changed. */
export function withWay(choices: MethodChoices, key: string, value: number | string | null): MethodChoices {
  return key in CHOICES ? withChoice(choices, key as ChoiceKey, value as string | null) : withNumber(choices, key, value as number | null);
}

export function withChoice(choices: MethodChoices, key: ChoiceKey, value: string | null): MethodChoices {
  const { [key]: _old, ...rest } = choices;
  return value === null ? rest : { ...rest, [key]: value };
}
