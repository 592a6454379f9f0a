import { MINUTES } from '../constants/index.js';
import type { BenchEvent } from './events.js';
import type { Worksheet } from './fold.js';
import { isTick, stageOf } from './stages.js';
import type { Stage, TickKind } from '../stages/index.js';

/** What one person spent on one stage of a job, ms. */
export interface StageTime {
  personId: string;
  stage: Stage;
  ms: number;
}

const LONGEST_STEP_MS = MINUTES.longestStep.value * 60_000;

/** Stages to which what is no step of a string belongs; null: to whatever comes next. */
const STAGE_BEHIND: Readonly<Record<Exclude<BenchEvent['kind'], TickKind>, Stage | null>> = {
  'set-chosen': 'choose',
  'set-hung': 'choose',
  'tool-laid': 'ready',
  'reference-read': 'ready',
  'gauge-read': 'ready',
  'bridge-blocked': 'strip',
  'pads-noted': 'strip',
  found: 'look-over',
  'turns-counted': 'wind',
  scrapped: 'wind',
  heard: 'bring-up',
  'heard-on-bridge': 'balance',
  'set-on-bridge': 'balance',
  'claw-turned': 'balance',
  'springs-hooked': 'balance',
  'fine-tuners-at-mid': 'balance',
  'nut-clamped': 'balance',
  'arm-moved': 'balance',
  'springs-learned': 'balance',
  'pitch-read': 'settle',
  'seated-again': 'settle',
  'handed-over': 'hand-over',
  noted: null,
  measured: null,
  paused: null,
  resumed: null,
  undone: null,
  'from-newer': null,
};

/** The stage that an event belongs to; null for one that belongs to whatever comes next. */
export const stageBehind = (event: BenchEvent): Stage | null => (isTick(event) ? stageOf(event.kind) : STAGE_BEHIND[event.kind]);

/**
 * How long each stage took each person: the time from one event to the next belongs to the stage and the person of the next one, since that is what was being
 * done. The clock stands between 'paused' and 'resumed', and over a silence longer than `LONGEST_STEP_MS`. `now` (ms since the epoch) adds what has run since
 * the last event to `stage` and `personId`, for a clock that is looked at.
 */
export function stageTimes(
  { standing, paused }: Pick<Worksheet, 'standing' | 'paused'>,
  now?: { ms: number; stage: Stage; personId: string },
): StageTime[] {
  const spent = new Map<string, StageTime>();
  const add = (stage: Stage, personId: string, ms: number) => {
    const key = `${stage} ${personId}`;
    spent.set(key, { stage, personId, ms: (spent.get(key)?.ms ?? 0) + ms });
  };
  let last: number | null = null;
  let stopped = false;
  let carried = 0;
  for (const event of standing) {
    const at = Date.parse(event.at);
    carried += last === null || stopped ? 0 : workedBetween(last, at);
    last = at;
    if (event.kind === 'paused' || event.kind === 'resumed') stopped = event.kind === 'paused';
    const stage = stageBehind(event);
    if (stage === null) continue;
    add(stage, event.personId, carried);
    carried = 0;
  }
  if (now !== undefined && last !== null && !paused) add(now.stage, now.personId, carried + workedBetween(last, now.ms));
  else if (now !== undefined && carried > 0) add(now.stage, now.personId, carried);
  return [...spent.values()];
}

/** Clocks of two devices may differ: what would be less than nothing is nothing. */
const workedBetween = (from: number, to: number): number => (to <= from || to - from > LONGEST_STEP_MS ? 0 : to - from);
