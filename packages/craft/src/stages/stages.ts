/** The work, in the order of the bench. */
export const STAGES = [
  'choose',
  'ready',
  'strip',
  'look-over',
  'anchor',
  'wind',
  'bring-up',
  'balance',
  'settle',
  'trim',
  'hand-over',
] as const;
export type Stage = (typeof STAGES)[number];

/** Stages in which each string is done by itself, and the event that says so. */
export const STRING_EVENTS = {
  ready: 'laid-out',
  strip: 'string-off',
  'look-over': 'looked-over',
  anchor: 'anchored',
  wind: 'wound',
  'bring-up': 'brought-up',
  balance: 'balanced',
  settle: 'settled',
  trim: 'trimmed',
} as const satisfies Partial<Record<Stage, string>>;
export type StringStage = keyof typeof STRING_EVENTS;
export type StringEventKind = (typeof STRING_EVENTS)[StringStage];

export const STRING_STAGES = Object.keys(STRING_EVENTS) as StringStage[];

export const isStringStage = (stage: Stage): stage is StringStage => stage in STRING_EVENTS;

/** What is ticked of a string: its stages, and its first pass at Bring up, where strings pass twice. */
export type TickKind = StringEventKind | 'tensioned';

/** Why a string was lost. */
export const SCRAP_REASONS = ['cut-too-short', 'kinked', 'broke', 'cut-by-clamp', 'wrong-string', 'faulty'] as const;
export type ScrapReason = (typeof SCRAP_REASONS)[number];

export const ARM_WAYS = ['down', 'up'] as const;
export type ArmWay = (typeof ARM_WAYS)[number];
