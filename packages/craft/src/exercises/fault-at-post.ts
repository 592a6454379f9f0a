import { windString, type PostPlan } from '../procedure/index.js';
import { FAULTS_AT, type FaultOf } from '../skills/index.js';
import { fromMillimetres, metres, type Metres } from '../units/index.js';
import { atLevel, oneOf, pickFrom } from './draw.js';
import { drawString, type DrawnString, type Kinds } from './drawn-string.js';

/** A string on its post, seen from the side. */
export interface FaultAtPost extends DrawnString {
  at: 'post';
  truth: FaultOf<'post'>;
  /** As it lies there. */
  wound: PostPlan;
  turns: number;
  /** What sticks out behind the hole; nothing where the end lies in it. */
  tail: Metres;
  /** The turn that crosses another, counted from the hole; null where none does. */
  crosses: number | null;
}

/** Fewer than a turn holds no string that nothing locks; so few are shown, by level. */
const FEW = [0.25, 0.4, 0.5, 0.6, 0.75];
/** A tail that is cut right, and one that slips out. */
const [TAIL, NO_TAIL] = [fromMillimetres(3), metres(0)];
const LEAST_TURNS = 2;

export function faultAtPost(chance: () => number, level: number, kinds: Kinds): FaultAtPost {
  const truth = pickFrom(FAULTS_AT.post, chance);
  const few = atLevel(FEW, level);
  return drawString(chance, kinds, (drawn) => {
    const { plan, place } = drawn;
    if (place.post.style !== 'through' || plan.methods.turnsAbove > 0 || plan.methods.leavesAbove) return null;
    if (plan.wind.turns < LEAST_TURNS || plan.wind.turns > plan.capacityTurns) return null;
    const turns = truth === 'few' ? few : plan.wind.turns;
    const wound = windString({ ...drawn, turns });
    if (wound?.kind !== 'post') return null;
    const crosses = truth === 'crossing' ? 1 + oneOf(Math.floor(turns) - 1, chance) : null;
    return { ...drawn, at: 'post', truth, wound, turns, tail: truth === 'short-tail' ? NO_TAIL : TAIL, crosses };
  });
}
