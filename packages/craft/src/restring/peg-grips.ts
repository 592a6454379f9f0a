import { FRICTION_PEGS } from '../constants/index.js';
import type { Instrument } from '../instrument/index.js';
import { windingCircle } from '../post/index.js';
import type { PostPlan } from '../procedure/index.js';
import { chanceFrom, handStrength } from '../simulated/index.js';

/** Chance of its own, so that strings are the same on pegs of either kind. */
const OF_PEGS = 104_729;

/** Lever at which a string leaves its post, m: what the post draws in by a radian. */
export const leverOf = ({ geometry }: PostPlan): number => windingCircle(geometry).lengthPerRadian;

/** T r of a string at its note, N m. */
export const torqueOf = (plan: PostPlan): number => plan.load.pull * leverOf(plan);

/** What each peg bears as it comes, N m; null of those that gears hold. */
export function pegGrips(instrument: Instrument, plans: readonly PostPlan[], seed: number): (number | null)[] {
  const chance = chanceFrom(seed + OF_PEGS);
  return plans.map((plan, index) =>
    instrument.strings[index]?.post.style === 'friction'
      ? FRICTION_PEGS.grips.value * handStrength(chance, FRICTION_PEGS.spread.value) * torqueOf(plan)
      : null,
  );
}
