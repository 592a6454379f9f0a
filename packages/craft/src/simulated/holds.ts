import { PEGS, RESTRINGING } from '../constants/index.js';
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
  return byTurns(plan, counted ?? plan.wind.turns);
}

/** Ends that lie inside their post: nothing sticks out that could be cut too short. */
const INSIDE: readonly PostMethod[] = ['clamp', 'bend-into-centre'];

/** What is left of that once the tail is cut flush: what locked it lies free, and the bend in the hole is next to nothing; null where the end lies inside the post. */
export function holdFlush(plan: WindPlan): Newtons | null {
  if (plan.kind === 'clamp' || INSIDE.includes(plan.methods.postMethod)) return null;
  return newtons(RESTRINGING.flush.value * byTurns(plan, plan.wind.turns));
}

const byTurns = ({ load }: WindPlan, turns: number): Newtons =>
  newtons(load.pull * PEGS.tail.value * Math.exp(PEGS.wraps.value * 2 * Math.PI * Math.max(0, turns)));
