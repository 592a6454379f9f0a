import { describe, expect, it } from 'vitest';
import { floatingBridge, lightSet, withRate } from '../testing/index.js';
import { kilogramsPerMetre, metres, radians, toDegrees } from '../units/index.js';
import { bridgeChange, forcesAt, levelRests } from './index.js';

const heavier = {
  ...floatingBridge,
  strings: lightSet.map((string) => ({ ...string, restDensity: kilogramsPerMetre(string.restDensity * 1.15) })),
};
const pull = (bridge: typeof floatingBridge) => forcesAt(bridge, metres(0.09), radians(0), levelRests(bridge)).strings;

describe('another set on a bridge that floats', () => {
  it('the same set changes nothing', () => {
    const same = bridgeChange(floatingBridge, floatingBridge);
    expect(toDegrees(same?.tilt ?? radians(1))).toBeCloseTo(0, 6);
    expect(same?.turns).toMatchObject({ ok: true, value: { likely: 0 } });
  });

  it('fifteen in a hundred heavier tips it toward the neck, the less the stiffer its springs may be', () => {
    const change = bridgeChange(floatingBridge, heavier);
    const { tilt, tilts, rise, action } = change ?? {
      tilt: radians(0),
      tilts: { least: radians(0), most: radians(0) },
      rise: 0,
      action: 0,
    };
    expect(tilt).toBeGreaterThan(0);
    expect(tilts.least).toBeGreaterThan(0);
    expect(tilts.least).toBeLessThan(tilt);
    expect(tilts.most).toBeGreaterThan(tilt);
    // 45 mm behind the edge, and half of what saddles 3 mm behind it rise
    expect(rise / Math.sin(tilt)).toBeCloseTo(0.045, 9);
    expect(action / Math.sin(tilt)).toBeCloseTo(0.0015, 9);
  });

  it('wants the claw in by what three springs stretch under the greater moment', () => {
    const turns = bridgeChange(floatingBridge, heavier)?.turns;
    const more = ((pull(heavier) - pull(floatingBridge)) * 10.5) / 40 / 3;
    // springs whose coils open at once: 1.2 N/mm, screws of 1.7 mm
    expect(turns?.ok === true ? turns.value.likely : 0).toBeCloseTo(more / 1.2 / 1.7, 6);
  });

  it('is not said where springs never held the old set', () => {
    expect(bridgeChange({ ...withRate(1200, 200) }, heavier)).toBeNull();
  });
});
