import { PEGS } from '../constants/index.js';
import type { PostMethod } from '../methods/index.js';
import type { WindPlan } from '../procedure/index.js';
import { newtons, type Newtons } from '../units/index.js';

/** Ways in which turns lie on one another and nothing traps the tail. */
const UNLOCKED: readonly PostMethod[] = ['wind-down', 'under-all', 'turns-first', 'crossing-turn'];

/**
 * Pull at which the turns on a post give way: what the bend in the hole holds, times e^(μ 2π n) (Euler and Eytelwein); null where the string is locked or clamped. `counted`: turns that
 * lie on the post where somebody counted them.
 */
export function holdOf(plan: WindPlan, counted: number | null): Newtons | null {
  if (plan.kind === 'clamp' || !UNLOCKED.includes(plan.methods.postMethod)) return null;
  const turns = Math.max(0, counted ?? plan.wind.turns);
  return newtons(plan.load.pull * PEGS.tail.value * Math.exp(PEGS.wraps.value * 2 * Math.PI * turns));
}
