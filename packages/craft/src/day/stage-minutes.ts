import { MINUTES } from '../constants/index.js';
import type { Family } from '../string-kinds/index.js';
import type { Stage } from '../stages/index.js';

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
const ONCE: Readonly<Partial<Record<Stage, number>>> = { ready: MINUTES.setUp.value / 2, strip: MINUTES.setUp.value / 2 };

/** Attended minutes of a stage for all strings, before anything was learned; 0 for choosing and handing over, which take as long as the talk does. */
export const stageMinutes = (family: Family, stringCount: number, stage: Stage): number =>
  (ONCE[stage] ?? 0) + MINUTES[family].value * stringCount * (SHARES[stage] ?? 0);
