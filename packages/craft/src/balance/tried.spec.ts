import { describe, expect, it } from 'vitest';
import { floatingBridge, lightSet, withRate } from '../testing/index.js';
import { hertz, kilogramsPerMetre, metres, newtons, toDegrees } from '../units/index.js';
import { tryBridge, type BridgeTried } from './index.js';

const NOTHING: BridgeTried = { springs: 3, travel: metres(0), pitches: [], tunedAgain: false };
const tried = (more: Partial<BridgeTried> = {}, before = floatingBridge, after = floatingBridge) => {
  const outcome = tryBridge(before, after, { ...NOTHING, ...more });
  if (!outcome.ok) throw new Error('it was level');
  return outcome.value;
};
const worst = (off: readonly (number | null)[]) => Math.max(...off.map((each) => Math.abs(each ?? 99)));
const tenth = {...floatingBridge, strings: lightSet.map((string) => ({...string, restDensity: kilogramsPerMetre(string.restDensity * 1.21) })) }; // prettier-ignore

describe('what is tried on a bridge', () => {
  it('the same set and nothing turned leaves it level and in tune', () => {
    expect(toDegrees(tried().angle)).toBeCloseTo(0, 5);
    expect(worst(tried().off)).toBeLessThan(1e-4);
  });

  it('heavier strings, tuned, tip it toward the neck', () => {
    expect(toDegrees(tried({}, floatingBridge, tenth).angle)).toBeGreaterThan(1);
    expect(worst(tried({}, floatingBridge, tenth).off)).toBeLessThan(1e-3);
  });

  it('the claw out lets all strings down, or tips the bridge with all tuned again', () => {
    const out = metres(-0.002);
    for (const cents of tried({ travel: out }).off) expect(cents).toBeLessThan(-5);
    expect(worst(tried({ travel: out, tunedAgain: true }).off)).toBeLessThan(1e-3);
    expect(tried({ travel: out, tunedAgain: true }).angle).toBeGreaterThan(tried({ travel: out }).angle);
  });

  it('one spring less and one string lowered: the others go their ways', () => {
    for (const cents of tried({ springs: 2 }).off) expect(cents).toBeLessThan(-50);
    const low = tried({ pitches: [{ string: 5, sounds: hertz(82.41 * 2 ** (-200 / 1200)) }] });
    expect(low.off[5]).toBeCloseTo(-200, 3);
    for (const index of [0, 1, 2, 3, 4]) expect(low.off[index]).toBeGreaterThan(0);
  });

  it('is refused where so many springs pull the old set back wherever the claw is', () => {
    const strong = { ...withRate(1200, 60), springs: { ...withRate(1200, 60).springs, count: 5, initial: newtons(60) } };
    expect(tryBridge(strong, strong, { ...NOTHING, springs: 5 })).toMatchObject({ ok: false, problem: { kind: 'too-many-springs' } });
  });
});
