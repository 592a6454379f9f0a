import { describe, expect, it } from 'vitest';
import { levelRests, pullOf, restsFrom, settle, speaking, tunedTo } from '../balance/index.js';
import { centsFrom, floatingBridge, levelOf, lightSet, offBy } from '../testing/index.js';
import { metres, newtons, radians, toDegrees, type Metres } from '../units/index.js';
import { bridgeUnderNow, longerBy, type PullAt } from './index.js';

const claw = levelOf(floatingBridge);
/** Strings without friction: they pull as the balance has it. */
const strings = (rests: readonly (Metres | null)[]): (PullAt | null)[] =>
  rests.map((rest, index) => {
    const string = lightSet[index];
    if (rest === null || string === undefined) return null;
    return (longer) => newtons(pullOf(string, metres(speaking(string, radians(0)).length + longer), rest));
  });

describe('a simulated bridge', () => {
  it('lies where the balance says, whatever the strings are tuned to', () => {
    for (const cents of [[], [-100, 0, 0, 0, 0, 0], [-30, -60, -80, -100, -50, -20]]) {
      const { rests } = restsFrom(floatingBridge, claw, offBy(cents));
      const angle = bridgeUnderNow(floatingBridge, claw, strings(rests), radians(0));
      expect(angle).toBeCloseTo(settle(floatingBridge, claw, rests).angle, 9);
    }
  });

  it('lets the others down when one comes up, and falls back when one is off', () => {
    const start = levelRests(floatingBridge);
    const up = tunedTo(floatingBridge, claw, start, { string: 5, sounds: offBy([0, 0, 0, 0, 0, 100])[5] ?? offBy([])[0]! });
    expect(toDegrees(bridgeUnderNow(floatingBridge, claw, strings(up.rests), radians(0)))).toBeGreaterThan(0);
    const off = start.map((rest, index): Metres | null => (index === 0 ? null : rest));
    expect(toDegrees(bridgeUnderNow(floatingBridge, claw, strings(off), radians(0)))).toBeLessThan(0);
    for (const cents of centsFrom(settle(floatingBridge, claw, off).frequencies)) if (cents !== null) expect(cents).toBeGreaterThan(0);
  });

  it('draws its saddles toward the nut as it tips forward', () => {
    expect(longerBy(floatingBridge, 0, radians(0))).toBe(0);
    // the saddle is 10.5 mm up: a hundredth of a radian takes it 0.105 mm along
    expect(longerBy(floatingBridge, 0, radians(0.01))).toBeCloseTo(-0.000105, 6);
    expect(() => longerBy(floatingBridge, 9, radians(0))).toThrow('no string 9');
  });
});
