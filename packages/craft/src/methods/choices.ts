/** Kinds of string that one winds with the same number of turns. */
export const STRING_CLASSES = [
  'thin-plain',
  'middle',
  'thick-wound',
  'bass',
  'bass-a',
  'bass-low',
  'mandolin-plain',
  'mandolin-wound',
  'soft-plain',
  'soft-wound',
] as const;
export type StringClass = (typeof STRING_CLASSES)[number];

/**
 * Ways to fix a steel string that goes through a hole: its tail kinked round the string, one turn over it and the rest under, no lock at all, all turns under the
 * tail, the last one over it, wrapped by hand before the end goes through, and the same with one turn that crosses the others.
 */
export const STEEL_FIXINGS = [
  'kink-lock',
  'over-one-under-rest',
  'wind-down',
  'under-all',
  'over-last',
  'turns-first',
  'crossing-turn',
] as const;
export type SteelFixing = (typeof STEEL_FIXINGS)[number];
/** Ways to fix nylon, fluorocarbon or gut. */
export const SOFT_FIXINGS = ['loop-tie', 'twice-through', 'kink-lock', 'turns-first', 'wind-down'] as const;
export type SoftFixing = (typeof SOFT_FIXINGS)[number];
/** How the end is fixed to its post. */
export type PostMethod = SteelFixing | SoftFixing | 'bend-into-centre' | 'clamp';

/** When a tail that could be cut early or late is cut. */
export const CUT_TIMES = ['before-winding', 'after-winding', 'after-it-holds'] as const;
export type CutTime = (typeof CUT_TIMES)[number];

/** How many strings come off before new ones go on. */
export const STRIPPINGS = ['one-at-a-time', 'pairs', 'all-off'] as const;
export type Stripping = (typeof STRIPPINGS)[number];
/** In which order strings are worked. */
export const STRING_ORDERS = ['low-first', 'high-first', 'outside-in', 'inside-out', 'alternating', 'toward-middle'] as const;
export type StringOrder = (typeof STRING_ORDERS)[number];
/** Whether a string is wound as soon as it is anchored, or all are anchored first, where strings are off together. */
export const ANCHORINGS = ['each-wound-at-once', 'all-anchored-first'] as const;
export type Anchoring = (typeof ANCHORINGS)[number];

/** Whether a smooth string is passed through its hole of a tie block once or twice before it is tied. */
export const TIE_PASSES = ['once-through', 'twice-through'] as const;
export type TiePass = (typeof TIE_PASSES)[number];

/** How a new string is stretched by hand. */
export const STRETCHINGS = ['along', 'sideways', 'twist', 'nodes', 'dives', 'light'] as const;
export type Stretching = (typeof STRETCHINGS)[number];

export interface StringTurns {
  turns?: number | undefined;
  most?: number | undefined;
  /** Beside its note on purpose, cents. */
  offsetCents?: number | undefined;
}

/** What somebody chose where the craft leaves a choice; what is left out was not chosen. */
export interface MethodChoices {
  turns?: Partial<Record<StringClass, number>> | undefined;
  /** More than this are never wound, whatever the nut would like. */
  mostTurns?: Partial<Record<StringClass, number>> | undefined;
  /** The same of single strings, by number: they win over their class. */
  strings?: Readonly<Record<string, StringTurns>> | undefined;
  /** What is left standing beyond the lock, mm. */
  stubMm?: number | undefined;
  /** Break over the nut that is wanted, degrees. */
  nutDeg?: number | undefined;
  plainFixing?: SteelFixing | undefined;
  woundFixing?: SteelFixing | undefined;
  softFixing?: SoftFixing | undefined;
  cutTime?: CutTime | undefined;
  stripping?: Stripping | undefined;
  stringOrder?: StringOrder | undefined;
  anchoring?: Anchoring | undefined;
  stretching?: Stretching | undefined;
  /** What a round may cost, and how far off a string may be, once it counts as settled. */
  toleranceCents?: number | undefined;
  /** For how long a string is heard at its place until it is ticked by itself. */
  heldSeconds?: number | undefined;
  /** How far off strings that creep may be before they are tuned again, and for how long they keep within that once they hold. */
  driftCents?: number | undefined;
  holdHours?: number | undefined;
  /** How a smooth string goes through a tie block, and how often its tail, or that of a wound one, is tucked. */
  tieSmooth?: TiePass | undefined;
  tucksSmooth?: number | undefined;
  tucksWound?: number | undefined;
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
