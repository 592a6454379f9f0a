import {
  BUILT_IN_TURNS,
  METHOD_LAYERS,
  type LayeredChoices,
  type MethodChoices,
  type MethodLayer,
  type StringClass,
} from '@gold-peg/craft/methods';

const STEEL = { 'kink-lock': 'kink lock', 'over-one-under-rest': 'over one, under the rest', 'turns-first': 'turns first' } as const;

/** What may be chosen besides turns, with the words of its choices. */
export const CHOICES = {
  plainFixing: { label: 'plain steel through a hole', words: STEEL, builtIn: 'kink-lock' },
  woundFixing: { label: 'wound steel through a hole', words: STEEL, builtIn: 'over-one-under-rest' },
  softFixing: {
    label: 'nylon, fluorocarbon, gut',
    words: { 'loop-tie': 'loop tie', 'twice-through': 'twice through' },
    builtIn: 'loop-tie',
  },
  cutTime: {
    label: 'the tail, where there is a choice',
    words: { 'before-winding': 'cut before winding', 'after-it-holds': 'cut once it holds' },
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
} as const satisfies Record<string, { label: string; words: Readonly<Record<string, string>>; builtIn: string }>;
export type ChoiceKey = keyof typeof CHOICES;

const CLASSES: Readonly<Record<StringClass, string>> = {
  'thin-plain': 'thin plain',
  middle: 'middle, plain or wound',
  'thick-wound': 'thick wound',
  bass: 'bass',
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

function layersOf(read: (choices: MethodChoices) => string | null, all: LayeredChoices): Pick<WayRow, 'layers' | 'from'> {
  const layers = { instrument: read(all.instrument ?? {}), technician: read(all.technician ?? {}), house: read(all.house ?? {}) };
  return { layers, from: METHOD_LAYERS.find((layer) => layers[layer] !== null) ?? 'built-in' };
}

export const turnRows = (classes: readonly StringClass[], all: LayeredChoices): WayRow[] =>
  classes.map((each) => ({
    key: each,
    label: CLASSES[each],
    builtIn: String(BUILT_IN_TURNS[each].turns),
    choices: null,
    ...layersOf(({ turns }) => (turns?.[each] === undefined ? null : String(turns[each])), all),
  }));

export const choiceRows = (keys: readonly ChoiceKey[], all: LayeredChoices): WayRow[] =>
  keys.map((key) => {
    const { label, builtIn } = CHOICES[key];
    const words: Readonly<Record<string, string>> = CHOICES[key].words;
    return {
      key,
      label,
      builtIn: words[builtIn] ?? builtIn,
      choices: Object.entries(words).map(([value, says]) => ({ value, words: says })),
      ...layersOf((choices) => choices[key] ?? null, all),
    };
  });

/** The choices with one changed; null takes it back. */
export function withTurns(choices: MethodChoices, of: StringClass, turns: number | null): MethodChoices {
  const { [of]: _old, ...rest } = choices.turns ?? {};
  return { ...choices, turns: turns === null ? rest : { ...rest, [of]: turns } };
}

export function withChoice(choices: MethodChoices, key: ChoiceKey, value: string | null): MethodChoices {
  const { [key]: _old, ...rest } = choices;
  return value === null ? rest : { ...rest, [key]: value };
}
