import { describe, expect, it } from 'vitest';
import { chanceFrom } from '../simulated/index.js';
import { floatingBridge, levelOf, offBy, learned } from '../testing/index.js';
import { cents, fromDegrees, kilogramsPerMetre, metres, type Hertz } from '../units/index.js';
import { foresee, foretell, onePass, restsFrom, type Unknown } from './index.js';

const ERRORS = { pitch: cents(0.5), tilt: fromDegrees(0.3) };
const claw = levelOf(floatingBridge);
const ALL: readonly Unknown[] = ['springs', 'saddle-height', 'spring-depth', 'stiffness', 'mass', 'screw-lead'];
const flat = offBy([-30, -60, -80, -100, -50, -20]);
const exact = [{ rate: floatingBridge.springs.rate, initial: floatingBridge.springs.initial, weight: 1 }];
const usual = learned([], ERRORS).samples;
const asked = {
  bridge: floatingBridge,
  claw,
  heard: flat,
  order: [5, 4, 3, 2, 1, 0],
  toward: cents(0),
  travel: metres(0),
  samples: usual,
  tried: false,
  measured: new Set<Unknown>(),
  draws: 200,
};

describe('what is foreseen', () => {
  it('leaves nothing where all is known', () => {
    const { afterPass, clawTurns, narrows, held } = foresee({ ...asked, samples: exact, measured: new Set(ALL) }, chanceFrom(1));
    expect(afterPass.high).toBeLessThan(0.01);
    expect(clawTurns.high).toBeCloseTo(0, 9);
    expect(narrows).toBeNull();
    expect(held).toBe(200);
  });

  it('is tens of cents after a pass with springs as they are sold, and what would narrow it most is a trial', () => {
    const { afterPass, narrows } = foresee(asked, chanceFrom(2));
    expect(afterPass.likely).toBeGreaterThan(10);
    expect(narrows?.what).toBe('trial');
    expect(narrows?.leaves ?? 99).toBeLessThan(0.5 * afterPass.likely);
  });

  it('is a few cents once a trial was made, whatever saddles and springs measure', () => {
    const change = [{ string: 5, sounds: ((offBy([])[5] ?? 0) * 2 ** (-200 / 1200)) as Hertz }];
    const told = foretell(floatingBridge, null, { before: offBy([]), change });
    const trial = { before: offBy([]), change, after: told?.frequencies ?? [] };
    const { samples } = learned([trial], ERRORS);
    const { afterPass } = foresee({ ...asked, samples, tried: true }, chanceFrom(3));
    expect(afterPass.likely).toBeLessThan(12);
  }, 60_000);

  it('tells turns of the claw and the tilt without them for a heavier set, in a band about what the likely bridge needs', () => {
    const heavier = {
      ...floatingBridge,
      strings: floatingBridge.strings.map((string) => ({ ...string, restDensity: kilogramsPerMetre(string.restDensity * 1.15) })),
    };
    const { clawTurns, tilt } = foresee({ ...asked, bridge: heavier }, chanceFrom(4));
    const needed = (1000 * (levelOf(heavier) - claw)) / 1.7;
    expect(clawTurns.low).toBeLessThan(needed);
    expect(clawTurns.high).toBeGreaterThan(needed);
    expect(clawTurns.low).toBeGreaterThan(0);
    expect(tilt.low).toBeGreaterThan(0);
  });

  it('tells marks and tilt exactly where all is known, and in a band about them where springs are not', () => {
    const known = foresee({ ...asked, samples: exact, measured: new Set(ALL) }, chanceFrom(6));
    const { rests, angle } = restsFrom(floatingBridge, claw, flat);
    const pass = onePass(floatingBridge, claw, rests, asked.order);
    expect(known.tiltNow).toEqual({ low: expect.closeTo(angle, 9), likely: expect.closeTo(angle, 9), high: expect.closeTo(angle, 9) });
    const open = foresee(asked, chanceFrom(6));
    for (const { string, target } of pass) {
      expect(known.marks[string]?.likely).toBeCloseTo(target, 6);
      const { low, high } = open.marks[string] ?? { low: NaN, high: NaN };
      expect(low).toBeLessThanOrEqual(high);
    }
    const first = open.marks[5];
    expect((first?.high ?? 0) - (first?.low ?? 0)).toBeGreaterThan(5);
    // the string that is set last is set to its note, whatever the springs are
    expect(open.marks[0]?.high ?? 99).toBeLessThan(0.01);
    expect(foresee({ ...asked, order: [5], draws: 16 }, chanceFrom(7)).marks.filter((mark) => mark !== null)).toHaveLength(1);
  });

  it('reckons with a claw that is turned in after the pass, and with a pass that leaves all beside their notes', () => {
    const known = { ...asked, samples: exact, measured: new Set(ALL), draws: 16 };
    // the claw stands 1.7 mm out, and brings all home once it is turned in by as much
    const out = metres(claw + 0.0017);
    const { rests } = restsFrom(floatingBridge, out, flat);
    const home = foresee({ ...known, claw: out, travel: metres(-0.0017) }, chanceFrom(8));
    expect(home.afterPass.high).toBeLessThan(0.01);
    for (const { string, target } of onePass(floatingBridge, out, rests, asked.order, claw))
      expect(home.marks[string]?.likely).toBeCloseTo(target, 6);
    const low = foresee({ ...known, toward: cents(-100) }, chanceFrom(9));
    expect(low.afterPass.high).toBeLessThan(0.01);
    expect(low.marks[0]?.likely).toBeCloseTo(-100, 6);
  });

  it('is the same for the same seed', () => expect(foresee(asked, chanceFrom(5))).toEqual(foresee(asked, chanceFrom(5))));
});
