import type { Family } from '../strings/index.js';
import type { Stage } from '../worksheet/index.js';

/** Minutes that a restring is expected to take before anything has been learned about this bench: workshop practice. */
export const SET_UP_MINUTES = 10;
export const MINUTES_PER_STRING = {
  acoustic: 5,
  electric: 4.5,
  bass: 4,
  classical: 6,
  ukulele: 5,
  mandolin: 4,
  banjo: 4,
} as const satisfies Record<Family, number>;

/** Share of a string's minutes that each stage takes. */
const SHARES: Readonly<Partial<Record<Stage, number>>> = {
  ready: 0.08,
  strip: 0.14,
  'look-over': 0.08,
  anchor: 0.2,
  wind: 0.24,
  'bring-up': 0.1,
  settle: 0.1,
  trim: 0.06,
};
/** What is done once for the instrument: half at the bench, half at the bridge. */
const ONCE: Readonly<Partial<Record<Stage, number>>> = { ready: SET_UP_MINUTES / 2, strip: SET_UP_MINUTES / 2 };

/** Attended minutes of a stage for all strings, before anything was learned; 0 for choosing and handing over, which take as long as the talk does. */
export const stageMinutes = (family: Family, stringCount: number, stage: Stage): number =>
  (ONCE[stage] ?? 0) + MINUTES_PER_STRING[family] * stringCount * (SHARES[stage] ?? 0);
