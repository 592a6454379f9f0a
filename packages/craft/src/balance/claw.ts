import { done, refused, type Outcome } from '../outcome/index.js';
import { metres, newtons, type Metres, type Newtons } from '../units/index.js';
import type { FloatingBridge } from './bridge.js';
import { levelPulls } from './equilibrium.js';

/** Why no place of the claw levels the bridge. `needed`: pull of one spring; `initial`: that of one whose coils just open. */
export interface ClawProblem {
  kind: 'too-many-springs';
  needed: Newtons;
  initial: Newtons;
}

/**
 * How far claw and hook lie apart when the bridge floats level with all strings in tune: the springs' moment is that of the strings. Refused where each spring would
 * have to pull less than it takes to open its coils: with fewer springs it goes.
 */
export function levelClaw(bridge: FloatingBridge): Outcome<Metres, ClawProblem> {
  const { strings, springs } = bridge;
  const moment = levelPulls(bridge).reduce((sum, pull, index) => sum + pull * (strings[index]?.saddleHeight ?? 0), 0);
  const needed = newtons(moment / (springs.count * springs.arm));
  if (needed < springs.initial) return refused({ kind: 'too-many-springs', needed, initial: springs.initial });
  return done(metres(springs.free + (needed - springs.initial) / springs.rate));
}
