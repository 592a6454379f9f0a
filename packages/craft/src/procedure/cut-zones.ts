import { cutBeyondPost, slackForTurns } from '../post/index.js';
import { fromMillimetres, metres, type Metres } from '../units/index.js';
import { LEAST_TURNS } from './at-the-post.js';
import type { ClampPlan, PostPlan, WindPlan } from './wind-plan.js';

/** What a cut within these bounds, measured past the post or clamp, leads to. */
export interface CutZone {
  kind: 'scrap' | 'few' | 'good' | 'many' | 'over-capacity';
  from: Metres;
  to: Metres;
}

/** Turns either side of what is wanted that still count as good work. */
const GOOD_BELOW = 0.35;
const GOOD_ABOVE = 0.75;
/** A lock needs so much of the string beyond its middle. */
const LEAST_IN_LOCK = fromMillimetres(1);
/** Beyond so many turns a locking post gives away what it is for. */
const MOST_LOCKED = 1;
/** Travel that a screw tuner should have left at pitch. */
const SPARE_TRAVEL = fromMillimetres(3);

/** Zones of the cut rule from the post's axis to `end`; each begins where the one before ends, and empty ones are left out. */
export function cutZones(plan: WindPlan, end: Metres): CutZone[] {
  const bounds = plan.kind === 'clamp' ? clampBounds(plan) : plan.methods.turns === null ? lockBounds(plan) : turnBounds(plan);
  const zones: CutZone[] = [];
  let from = metres(0);
  for (const [kind, until] of bounds) {
    const to = metres(Math.min(end, Math.max(from, until)));
    if (to > from) zones.push({ kind, from, to });
    from = to;
  }
  if (from < end) zones.push({ kind: 'over-capacity', from, to: end });
  return zones;
}

/** The zone that a cut lies in; the better one on a border. */
export function zoneAt(zones: readonly CutZone[], cut: Metres): CutZone['kind'] {
  const touching = zones.filter(({ from, to }) => cut >= from && cut <= to).map(({ kind }) => kind);
  return touching.find((kind) => kind === 'good') ?? touching[0] ?? (cut < 0 ? 'scrap' : 'over-capacity');
}

type Bound = readonly [CutZone['kind'], Metres];

function turnBounds(plan: PostPlan): readonly Bound[] {
  const { turns } = plan.wind;
  return [
    ['scrap', cutForTurns(plan, Math.min(LEAST_TURNS, turns - GOOD_BELOW))],
    ['few', cutForTurns(plan, turns - GOOD_BELOW)],
    ['good', cutForTurns(plan, Math.min(turns + GOOD_ABOVE, Math.max(plan.capacityTurns, turns)))],
    ['many', cutForTurns(plan, Math.max(plan.capacityTurns, turns + GOOD_ABOVE))],
  ];
}

function lockBounds(plan: PostPlan): readonly Bound[] {
  return [
    ['scrap', metres(plan.geometry.postDiameter / 2 + LEAST_IN_LOCK)],
    ['good', cutForTurns(plan, Math.max(MOST_LOCKED, plan.wind.turns + GOOD_BELOW))],
    ['many', cutForTurns(plan, plan.capacityTurns)],
  ];
}

function clampBounds({ grip, screw: { travel }, stretched }: ClampPlan): readonly Bound[] {
  const runsOut = grip + travel - stretched;
  return [
    ['scrap', grip],
    ['good', metres(runsOut - SPARE_TRAVEL)],
    ['many', metres(runsOut)],
  ];
}

function cutForTurns(plan: PostPlan, turns: number): Metres {
  const outcome = slackForTurns(turns, plan.geometry, plan.stretch);
  return outcome.ok ? cutBeyondPost(metres(outcome.value.slack + plan.allowance), plan.end) : metres(0);
}
