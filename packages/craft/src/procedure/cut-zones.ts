import { cutBeyondPost, slackForTurns } from '../post/index.js';
import { metres, type Metres } from '../units/index.js';
import type { WindPlan } from './wind-plan.js';

/** What a cut within these bounds, measured past the post, leads to. */
export interface CutZone {
  kind: 'scrap' | 'few' | 'good' | 'many' | 'over-capacity';
  from: Metres;
  to: Metres;
  /** Turns at its far end. */
  turns: number;
}

/** One turn on the post is the least that holds a string. */
const LEAST_TURNS = 1;
/** Turns either side of what is wanted that still count as good work. */
const GOOD_BELOW = 0.35;
const GOOD_ABOVE = 0.75;

/** Zones of the cut rule from the post's axis to `end`; each begins where the one before ends, and empty ones are left out. */
export function cutZones(plan: WindPlan, end: Metres): CutZone[] {
  const { turns } = plan.wind;
  const bounds: [CutZone['kind'], number][] = [
    ['scrap', Math.min(LEAST_TURNS, turns - GOOD_BELOW)],
    ['few', turns - GOOD_BELOW],
    ['good', Math.min(turns + GOOD_ABOVE, Math.max(plan.capacityTurns, turns))],
    ['many', Math.max(plan.capacityTurns, turns + GOOD_ABOVE)],
  ];
  const zones: CutZone[] = [];
  let from = metres(0);
  for (const [kind, until] of bounds) {
    const to = metres(Math.min(end, Math.max(from, cutForTurns(plan, until))));
    if (to > from) zones.push({ kind, from, to, turns: until });
    from = to;
  }
  if (from < end) zones.push({ kind: 'over-capacity', from, to: end, turns: Number.POSITIVE_INFINITY });
  return zones;
}

function cutForTurns(plan: WindPlan, turns: number): Metres {
  const outcome = slackForTurns(turns, plan.geometry, plan.stretch);
  return outcome.ok ? cutBeyondPost(metres(outcome.value.slack + plan.allowance), plan.end) : metres(0);
}
