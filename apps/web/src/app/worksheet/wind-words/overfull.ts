import type { WindPlan } from '@gold-peg/craft/procedure';
import { metres, type Metres } from '@gold-peg/craft/units';

/** Why a mark beyond what the post or the screw can take is not wound, and what to do. */
export function sayOverfull(plan: WindPlan, length: (value: Metres) => string): string {
  if (plan.kind === 'clamp')
    return `From this mark the screw runs out ${length(metres(Math.max(0, -plan.screw.left)))} before the string is at pitch: cut shorter.`;
  return `From this mark ${plan.wind.turns.toFixed(1)} turns would lie on a post that holds ${plan.capacityTurns.toFixed(1)} in one layer; the last would climb over the others and slip: cut shorter.`;
}
