import { FRICTION_PEGS } from '../constants/index.js';
import { atSaddle, letGo } from '../simulated/index.js';
import type { Restring } from './lay-out.js';
import { noted, onPost, put, type OnBench } from './on-bench.js';
import { leverOf, torqueOf } from './peg-grips.js';
import { longerOn, toString } from './pulls.js';

/** How a peg that friction holds turns under the fingers: it gives before its string is stretched, holds that, or jerks. */
export type PegFeel = 'light' | 'firm' | 'stiff';

/** Null where gears hold it. */
export function pegFeel(restring: Restring, { pegs }: OnBench, index: number): PegFeel | null {
  const grip = pegs[index] ?? null;
  if (grip === null) return null;
  const share = grip / torqueOf(toString(restring, index).plan);
  return share < FRICTION_PEGS.firm.value ? 'light' : share <= FRICTION_PEGS.stiff.value ? 'firm' : 'stiff';
}

/** Its screw turned by so many eighths, in above zero; null where it has none. Eased too far under pull it turns back at once. */
export function snugged(restring: Restring, now: OnBench, index: number, eighths: number): OnBench | null {
  const grip = now.pegs[index] ?? null;
  if (grip === null || eighths === 0) return null;
  const pegGrip = grip * FRICTION_PEGS.eighth.value ** eighths;
  const set = { ...now, pegs: now.pegs.with(index, pegGrip) };
  const string = onPost(set, index);
  if (string.at !== 'wound') return set;
  const of = { ...string.of, pegGrip };
  const state = string.taut ? letGo(atSaddle(of, longerOn(restring, set, index)), string.state) : string.state;
  return put(set, index, { ...string, of, state });
}

/** A stiff peg jumps: how far it went where a hand wants so many turns, and that it is told. */
export function jumped(
  restring: Restring,
  now: OnBench,
  { string, turns }: { string: number; turns: number },
  chance: () => number,
): { now: OnBench; turns: number } {
  if (pegFeel(restring, now, string) !== 'stiff') return { now, turns };
  const jerk = FRICTION_PEGS.jerk.value;
  return {
    now: noted(now, { string, kind: 'peg-stiff', figure: 360 * jerk }),
    turns: Math.sign(turns) * Math.max(Math.abs(turns), jerk * (0.5 + chance())),
  };
}

/** Of each string whose peg turned back by itself at this step: the pull at which it does. */
export function creptBackSince(restring: Restring, before: OnBench, now: OnBench): OnBench {
  return now.strings.reduce((told, string, index) => {
    const was = onPost(before, index);
    if (string.at !== 'wound' || was.at !== 'wound' || string.state.crept <= was.state.crept) return told;
    const figure = (string.of.pegGrip ?? 0) / leverOf(toString(restring, index).plan);
    return noted(told, { string: index, kind: 'peg-creeps', figure });
  }, now);
}
