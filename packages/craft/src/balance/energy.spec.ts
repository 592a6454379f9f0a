import fc from 'fast-check';
import { expect, it } from 'vitest';
import { floatingBridge, levelOf, offBy } from '../testing/index.js';
import { radians, type Metres, type Radians } from '../units/index.js';
import { speaking, springReach } from './bridge.js';
import { restsFrom, settle } from './equilibrium.js';

const claw = levelOf(floatingBridge);

/** ½ EA x² / l₀ of each string, and of each spring what it took to open it: F₀ x + ½ k x². */
function energyAt(rests: readonly (Metres | null)[], angle: Radians): number {
  const { springs, strings } = floatingBridge;
  const open = Math.max(0, springReach(springs, claw, angle).length - springs.free);
  const ofStrings = strings.reduce((sum, string, index) => {
    const rest = rests[index] ?? null;
    return rest === null
      ? sum
      : sum + (string.stiffness * Math.max(0, speaking(string, angle).length + string.extra - rest) ** 2) / (2 * rest);
  }, 0);
  return ofStrings + springs.count * (springs.initial * open + (springs.rate * open ** 2) / 2);
}

it('a floating bridge falls to its rest: on the way there the energy of strings and springs never rises', () => {
  const offs = fc.array(fc.double({ min: -150, max: 60, noNaN: true }), { minLength: 6, maxLength: 6 });
  fc.assert(
    fc.property(offs, (cents) => {
      const { rests } = restsFrom(floatingBridge, claw, offBy(cents));
      const { angle } = settle(floatingBridge, claw, rests);
      const way = Array.from({ length: 41 }, (_, step) => energyAt(rests, radians((angle * step) / 40)));
      for (const [step, energy] of way.entries()) expect(energy).toBeLessThanOrEqual((way[step - 1] ?? Infinity) + 1e-9);
      expect(way.at(-1)).toBeLessThanOrEqual(energyAt(rests, radians(angle + 0.001)) + 1e-9); // and does not go on falling beyond
    }),
    { numRuns: 100 },
  );
});
