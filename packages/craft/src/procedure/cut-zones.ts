import { CUTTING } from '../constants/index.js';
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
    ['scrap', cutForTurns(plan, Math.min(LEAST_TURNS, turns - CUTTING.goodBelow.value))],
    ['few', cutForTurns(plan, turns - CUTTING.goodBelow.value)],
    ['good', cutForTurns(plan, Math.min(turns + CUTTING.goodAbove.value, Math.max(plan.capacityTurns, turns)))],
    ['many', cutForTurns(plan, Math.max(plan.capacityTurns, turns + CUTTING.goodAbove.value))],
  ];
}

function lockBounds(plan: PostPlan): readonly Bound[] {
  return [
    ['scrap', metres(plan.geometry.postDiameter / 2 + fromMillimetres(CUTTING.leastInLock.value))],
    ['good', cutForTurns(plan, Math.max(CUTTING.mostLocked.value, plan.wind.turns + CUTTING.goodBelow.value))],
    ['many', cutForTurns(plan, plan.capacityTurns)],
  ];
}

function clampBounds({ grip, screw: { travel }, stretched }: ClampPlan): readonly Bound[] {
  const runsOut = grip + travel - stretched;
  return [
    ['scrap', grip],
    ['good', metres(runsOut - fromMillimetres(CUTTING.spareTravel.value))],
    ['many', metres(runsOut)],
  ];
}

function cutForTurns(plan: PostPlan, turns: number): Metres {
  const outcome = slackForTurns(turns, plan.geometry, plan.stretch);
  return outcome.ok ? cutBeyondPost(metres(outcome.value.slack + plan.allowance), plan.end) : metres(0);
}
