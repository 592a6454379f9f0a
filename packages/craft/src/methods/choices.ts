/** Kinds of string that one winds with the same number of turns. */
export const STRING_CLASSES = [
  'thin-plain',
  'middle',
  'thick-wound',
  'bass',
  'mandolin-plain',
  'mandolin-wound',
  'soft-plain',
  'soft-wound',
] as const;
export type StringClass = (typeof STRING_CLASSES)[number];

/** Ways to fix a steel string that goes through a hole. */
export const STEEL_FIXINGS = ['kink-lock', 'over-one-under-rest', 'turns-first'] as const;
export type SteelFixing = (typeof STEEL_FIXINGS)[number];
/** Ways to fix nylon, fluorocarbon or gut. */
export const SOFT_FIXINGS = ['loop-tie', 'twice-through'] as const;
export type SoftFixing = (typeof SOFT_FIXINGS)[number];
/** How the end is fixed to its post. */
export type PostMethod = SteelFixing | SoftFixing | 'bend-into-centre' | 'clamp';

/** When a tail that could be cut early or late is cut. */
export const CUT_TIMES = ['before-winding', 'after-it-holds'] as const;
export type CutTime = (typeof CUT_TIMES)[number];

/** How many strings come off before new ones go on. */
export const STRIPPINGS = ['one-at-a-time', 'pairs', 'all-off'] as const;
export type Stripping = (typeof STRIPPINGS)[number];
/** In which order strings are worked. */
export const STRING_ORDERS = ['low-first', 'high-first', 'outside-in', 'inside-out', 'alternating'] as const;
export type StringOrder = (typeof STRING_ORDERS)[number];
/** Whether a string is wound as soon as it is anchored, or all are anchored first, where strings are off together. */
export const ANCHORINGS = ['each-wound-at-once', 'all-anchored-first'] as const;
export type Anchoring = (typeof ANCHORINGS)[number];

/** How a new string is stretched by hand. */
export const STRETCHINGS = ['along', 'sideways', 'twist', 'nodes', 'dives', 'light'] as const;
export type Stretching = (typeof STRETCHINGS)[number];

/** What somebody chose where the craft leaves a choice; what is left out was not chosen. */
export interface MethodChoices {
  turns?: Partial<Record<StringClass, number>> | undefined;
  plainFixing?: SteelFixing | undefined;
  woundFixing?: SteelFixing | undefined;
  softFixing?: SoftFixing | undefined;
  cutTime?: CutTime | undefined;
  stripping?: Stripping | undefined;
  stringOrder?: StringOrder | undefined;
  anchoring?: Anchoring | undefined;
  stretching?: Stretching | undefined;
}

/** Whose choices win over whose: the first that chose. */
export const METHOD_LAYERS = ['instrument', 'technician', 'house'] as const;
export type MethodLayer = (typeof METHOD_LAYERS)[number];
export type LayeredChoices = Partial<Record<MethodLayer, MethodChoices>>;

/** A choice, and who made it. */
export interface Chosen<T> {
  value: T;
  from: MethodLayer | 'built-in';
}

/** The choice that is in force: instrument, technician, house, built-in, in this order. */
export function inForce<T>(choices: LayeredChoices, pick: (from: MethodChoices) => T | undefined, builtIn: T): Chosen<T> {
  for (const layer of METHOD_LAYERS) {
    const value = pick(choices[layer] ?? {});
    if (value !== undefined) return { value, from: layer };
  }
  return { value: builtIn, from: 'built-in' };
}
