import {
  BUILT_IN_TURNS,
  METHOD_LAYERS,
  type LayeredChoices,
  type MethodChoices,
  type MethodLayer,
  type StringClass,
} from '@gold-peg/craft/methods';

/** What may be chosen besides turns, with the words of its choices. */
export const FIXINGS = {
  plainFixing: {
    label: 'plain steel through a hole',
    choices: { 'kink-lock': 'kink lock', 'over-one-under-rest': 'over one, under the rest', 'turns-first': 'turns first' },
    builtIn: 'kink-lock',
  },
  woundFixing: {
    label: 'wound steel through a hole',
    choices: { 'kink-lock': 'kink lock', 'over-one-under-rest': 'over one, under the rest', 'turns-first': 'turns first' },
    builtIn: 'over-one-under-rest',
  },
  softFixing: {
    label: 'nylon, fluorocarbon, gut',
    choices: { 'loop-tie': 'loop tie', 'twice-through': 'twice through' },
    builtIn: 'loop-tie',
  },
  cutTime: {
    label: 'the tail, where there is a choice',
    choices: { 'before-winding': 'cut before winding', 'after-it-holds': 'cut once it holds' },
    builtIn: 'before-winding',
  },
} as const;
export type FixingKey = keyof typeof FIXINGS;

export const CLASSES: Readonly<Record<StringClass, string>> = {
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
}

const row = (key: string, label: string, builtIn: string, read: (choices: MethodChoices) => string | null, all: LayeredChoices): WayRow => {
  const layers = { instrument: read(all.instrument ?? {}), technician: read(all.technician ?? {}), house: read(all.house ?? {}) };
  return { key, label, builtIn, layers, from: METHOD_LAYERS.find((layer) => layers[layer] !== null) ?? 'built-in' };
};

export const turnRows = (classes: readonly StringClass[], all: LayeredChoices): WayRow[] =>
  classes.map((each) =>
    row(
      each,
      CLASSES[each],
      String(BUILT_IN_TURNS[each].turns),
      ({ turns }) => (turns?.[each] === undefined ? null : String(turns[each])),
      all,
    ),
  );

export const fixingRows = (all: LayeredChoices): WayRow[] =>
  (Object.keys(FIXINGS) as FixingKey[]).map((key) =>
    row(key, FIXINGS[key].label, FIXINGS[key].builtIn, (choices) => choices[key] ?? null, all),
  );

/** The choices with one changed; null takes it back. */
export function withTurns(choices: MethodChoices, of: StringClass, turns: number | null): MethodChoices {
  const { [of]: _old, ...rest } = choices.turns ?? {};
  return { ...choices, turns: turns === null ? rest : { ...rest, [of]: turns } };
}

export function withFixing(choices: MethodChoices, key: FixingKey, value: string | null): MethodChoices {
  const { [key]: _old, ...rest } = choices;
  return value === null ? rest : { ...rest, [key]: value };
}
