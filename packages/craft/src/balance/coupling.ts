import type { Metres } from '../units/index.js';
import { pullOf, speaking, type FloatingBridge, type RestLengths } from './bridge.js';
import { settle, stiffnessAt } from './equilibrium.js';

/**
 * How strings pull each other out of tune: entry [j][i] is what string j changes, in cents per cent that string i itself changes when its peg is turned and the
 * bridge finds its new balance. First derivatives at the balance, exact. Null where the bridge lies on a stop or does not come back; a string that is off or slack has zeros,
 * and one on the diagonal.
 */
export function coupling(bridge: FloatingBridge, claw: Metres, rests: RestLengths): number[][] | null {
  const { angle, stable } = settle(bridge, claw, rests);
  if (!stable) return null;
  const comesBack = stiffnessAt(bridge, claw, angle, rests);
  const strings = bridge.strings.map((string, index) => {
    const rest = rests[index] ?? null;
    const { length, first } = speaking(string, angle);
    const pull = rest === null ? 0 : pullOf(string, length, rest);
    if (rest === null || pull === 0) return null;
    const { stiffness } = string;
    const byPull = (1 / pull + 1 / (stiffness + pull)) / 2; // d ln f / dT
    return { byPull, byAngle: (byPull * stiffness * first) / rest - first / length, angleByPull: -first / comesBack };
  });
  return strings.map((of, j) =>
    strings.map((turned, i) => {
      if (of === null || turned === null) return i === j ? 1 : 0;
      // a peg that pulls so much more tips the bridge, which gives some of that back
      const own = turned.byPull + turned.byAngle * turned.angleByPull;
      return i === j ? 1 : (of.byAngle * turned.angleByPull) / own;
    }),
  );
}
