import { describe, expect, it } from 'vitest';
import { floatingBridge, lightSet, withRate } from '../testing/index.js';
import { kilogramsPerMetre, metres, newtons, radians, toDegrees } from '../units/index.js';
import { bridgeChange, forcesAt, levelRests } from './index.js';

const heavier = {...floatingBridge, strings: lightSet.map((string) => ({...string, restDensity: kilogramsPerMetre(string.restDensity * 1.15) })) }; // prettier-ignore
const sprung = (bridge: typeof floatingBridge, springs: Partial<typeof floatingBridge.springs>) => ({
  ...bridge,
  springs: { ...bridge.springs, ...springs },
});
const pull = (bridge: typeof floatingBridge) => forcesAt(bridge, metres(0.09), radians(0), levelRests(bridge)).strings;

describe('another set on a bridge that floats', () => {
  it('the same set changes nothing', () => {
    const same = bridgeChange(floatingBridge, floatingBridge);
    expect(toDegrees(same?.tilt ?? radians(1))).toBeCloseTo(0, 6);
    expect(same?.turns).toMatchObject({ ok: true, value: { likely: 0 } });
  });

  it('fifteen in a hundred heavier tips it toward the neck, the less the stiffer its springs may be', () => {
    const change = bridgeChange(floatingBridge, heavier);
    if (change === null) throw new Error('the bridge of the spec has a level');
    const { tilt, tilts, rise, action } = change;
    expect(tilt).toBeGreaterThan(0);
    expect(tilts.least).toBeGreaterThan(0);
    expect(tilts.least).toBeLessThan(tilt);
    expect(tilts.most).toBeGreaterThan(tilt);
    // springs from 0.7 to 2.5 N/mm beside 1.2, whose coils open at once
    const [soft, stiff] = [700, 2500].map((rate) =>
      bridgeChange(sprung(floatingBridge, { rate, initial: newtons(0) }), sprung(heavier, { rate, initial: newtons(0) })),
    );
    expect([tilts.least / (stiff?.tilt ?? 1), tilts.most / (soft?.tilt ?? 1)]).toEqual([expect.closeTo(1, 6), expect.closeTo(1, 6)]);
    // 45 mm behind the edge, and half of what saddles 3 mm behind it rise
    expect(rise / Math.sin(tilt)).toBeCloseTo(0.045, 9);
    expect(action / Math.sin(tilt)).toBeCloseTo(0.0015, 9);
  });

  it('wants the claw in by what three springs stretch under the greater moment', () => {
    const turns = bridgeChange(floatingBridge, heavier)?.turns;
    const more = ((pull(heavier) - pull(floatingBridge)) * 10.5) / 40 / 3;
    // springs whose coils open at once: 1.2 N/mm, screws of 1.7 mm
    const { low, likely, high } = turns?.ok === true ? turns.value : { low: 0, likely: 0, high: 0 };
    for (const [found, rate] of [[low, 2.5], [likely, 1.2], [high, 0.7]] as const) expect(found).toBeCloseTo(more / rate / 1.7, 6); // prettier-ignore
  });

  it('says why no place of the claw levels it: too few springs, or too many', () => {
    const one = bridgeChange(floatingBridge, sprung(heavier, { count: 1, rate: 700 }))?.turns;
    expect(one).toMatchObject({ ok: false, problem: { kind: 'too-few-springs' } });
    expect(bridgeChange(floatingBridge, sprung(heavier, { initial: newtons(900) }))?.turns).toMatchObject({ ok: false });
  });

  it('is not said where springs never held the old set', () => expect(bridgeChange({ ...withRate(1200, 200) }, heavier)).toBeNull());
});
