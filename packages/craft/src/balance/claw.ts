import { done, refused, type Outcome } from '../outcome/index.js';
import { bisect } from '../solve/index.js';
import { metres, newtons, radians, type Metres, type Newtons, type Radians } from '../units/index.js';
import type { BridgeString, FloatingBridge } from './bridge.js';
import { levelPulls, torque } from './equilibrium.js';

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
export const levelClaw = (bridge: FloatingBridge): Outcome<Metres, ClawProblem> => levelClawUnder(bridge, levelPulls(bridge));

/** The same under any pulls of the strings, N, in their order. */
export function levelClawUnder({ strings, springs }: FloatingBridge, pulls: readonly number[]): Outcome<Metres, ClawProblem> {
  const moment = pulls.reduce((sum, pull, index) => sum + pull * (strings[index] as BridgeString).saddleHeight, 0);
  const needed = newtons(moment / (springs.count * springs.arm));
  if (needed < springs.initial) return refused({ kind: 'too-many-springs', needed, initial: springs.initial });
  return done(metres(springs.free + (needed - springs.initial) / springs.rate));
}

/** As far as a claw can be from the hook of a level bridge, beyond the free length of its springs. */
const FARTHEST = 0.08;

/** Where the claw is when strings that pull so hold the bridge at `angle`, as it was measured; null where no place of the claw explains it. */
export function clawWhere(bridge: FloatingBridge, angle: Radians, pulls: readonly number[]): Metres | null {
  const { free } = bridge.springs;
  const root = bisect(
    (claw) => torque(bridge, metres(claw), radians(angle), (index) => pulls[index] ?? 0),
    free - FARTHEST / 4,
    free + FARTHEST,
    1e-9,
  );
  return root.kind === 'root' ? metres(root.x) : null;
}
