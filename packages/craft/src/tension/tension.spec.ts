import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stringProperties, type StringSpec } from '../strings/index.js';
import { frequencyOf, fromInches, hertz, kilogramsPerMetre, metres, newtons, semitonesBetween, toPoundsForce } from '../units/index.js';
import { centsPerMetre, compareSets, fundamentalAt, loadString, tensionFor, totalPull } from './index.js';

const properties = (spec: StringSpec) => {
  const outcome = stringProperties(spec);
  if (!outcome.ok) throw new Error(outcome.problem.kind);
  return outcome.value;
};
const electric = (thousandths: number, construction: 'plain' | 'wound') =>
  properties({ family: 'electric', construction, gauge: fromInches(thousandths / 1000) });
const steel = { linearDensity: kilogramsPerMetre(0.0004), stiffness: 10000, thins: false };
const nylon = { linearDensity: kilogramsPerMetre(0.0004), stiffness: 700, thins: true };

describe('tension', () => {
  it('is 4 f² L² μ: 17.42 N for 0.4 g/m, 650 mm, 160.5 Hz', () => {
    // (2 · 0.65 · 160.5)² = 208.65² = 43534.8; · 0.0004 = 17.414
    expect(tensionFor(hertz(160.5), metres(0.65), steel)).toBeCloseTo(17.414, 3);
  });

  it.each([
    [10, 'plain', 'E4', 16.2],
    [13, 'plain', 'B3', 15.4],
    [17, 'plain', 'G3', 16.6],
    [26, 'wound', 'D3', 18.4],
    [36, 'wound', 'A2', 19.5],
    [46, 'wound', 'E2', 17.5],
  ] as const)('meets the published pull of a .0%i %s at %s: %f lbf', (gauge, construction, note, published) => {
    const pull = toPoundsForce(tensionFor(frequencyOf(note), metres(0.6477), electric(gauge, construction)));
    expect(Math.abs(pull / published - 1)).toBeLessThan(construction === 'plain' ? 0.015 : 0.03);
  });

  it('grows with the square of pitch and of scale where the string does not thin', () => {
    fc.assert(
      fc.property(fc.double({ min: 40, max: 700, noNaN: true }), fc.double({ min: 1.01, max: 3, noNaN: true }), (pitch, factor) => {
        const base = tensionFor(hertz(pitch), metres(0.6), steel);
        expect(tensionFor(hertz(pitch * factor), metres(0.6), steel) / base).toBeCloseTo(factor ** 2, 9);
        expect(tensionFor(hertz(pitch), metres(0.6 * factor), steel) / base).toBeCloseTo(factor ** 2, 9);
      }),
    );
  });

  it('solves T (1 + T/EA) = μ0 (2 L f)² for a polymer, 4 to 10 % under the stiff string', () => {
    const pull = tensionFor(hertz(329.63), metres(0.65), nylon);
    const ideal = 0.0004 * (2 * 0.65 * 329.63) ** 2;
    expect(pull * (1 + pull / 700)).toBeCloseTo(ideal, 9);
    expect(ideal / pull).toBeGreaterThan(1.04);
    expect(ideal / pull).toBeLessThan(1.1);
  });

  it('comes back from pull to pitch', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 1300, noNaN: true }),
        fc.double({ min: 0.3, max: 0.9, noNaN: true }),
        fc.constantFrom(steel, nylon),
        (pitch, length, string) => {
          const pull = tensionFor(hertz(pitch), metres(length), string);
          expect(fundamentalAt(pull, metres(length), string) / pitch).toBeCloseTo(1, 10);
        },
      ),
    );
  });

  it('throws for what the edges should have refused', () => {
    expect(() => tensionFor(hertz(0), metres(0.65), steel)).toThrow(RangeError);
    expect(() => tensionFor(hertz(440), metres(Number.NaN), steel)).toThrow(RangeError);
    expect(() => fundamentalAt(newtons(-1), metres(0.65), steel)).toThrow(RangeError);
  });
});

describe('a loaded string', () => {
  it('breaks at nearly the same pitch whatever the gauge of plain steel: √(σ/ρ)/2L', () => {
    const breaking = (thousandths: number) => loadString(electric(thousandths, 'plain'), metres(0.6477), frequencyOf('E4')).breakingPitch;
    // σ falls as d^-0.145, so the pitch as d^-0.0725: 2^-0.0725 = 0.951, under a semitone for twice the gauge
    expect(breaking(20) / breaking(10)).toBeCloseTo(2 ** -0.0725, 6);
    expect(Math.abs(semitonesBetween(breaking(10), breaking(20)))).toBeLessThan(1);
  });

  it('has no reserve left at its breaking pitch and a quarter at its safe one', () => {
    const string = electric(10, 'plain');
    const { breakingPitch, safePitch } = loadString(string, metres(0.6477), frequencyOf('E4'));
    expect(loadString(string, metres(0.6477), breakingPitch).reserve).toBeCloseTo(0, 9);
    expect(loadString(string, metres(0.6477), safePitch).reserve).toBeCloseTo(0.25, 9);
    expect(loadString(string, metres(0.6477), safePitch).semitonesToSafe).toBeCloseTo(0, 9);
  });

  it('strains a .010 at E4 by about 0.7 %', () => {
    expect(loadString(electric(10, 'plain'), metres(0.6477), frequencyOf('E4')).strain).toBeCloseTo(0.007, 4);
  });
});

describe('comparing sets', () => {
  const pulls = fc.array(fc.double({ min: 20, max: 300, noNaN: true }), { minLength: 1, maxLength: 12 });

  it('is antisymmetric: there and back adds up to nothing', () => {
    fc.assert(
      fc.property(pulls, fc.double({ min: 0.5, max: 2, noNaN: true }), (before, factor) => {
        const old = before.map(newtons);
        const next = before.map((pull) => newtons(pull * factor));
        const there = compareSets(old, next);
        const back = compareSets(next, old);
        there.strings.forEach((change, index) => expect(change.logRatio + (back.strings[index]?.logRatio ?? 9)).toBeCloseTo(0, 9));
        expect(there.total.logRatio + back.total.logRatio).toBeCloseTo(0, 9);
      }),
    );
  });

  it('adds up pulls: 100 + 110 against 110 + 121 is 10 % more, each and in total', () => {
    const { strings, total } = compareSets([newtons(100), newtons(110)], [newtons(110), newtons(121)]);
    expect(strings.map(({ percent }) => Math.round(percent))).toEqual([10, 10]);
    expect(total.percent).toBeCloseTo(10, 9);
    expect(totalPull([newtons(1), newtons(2), newtons(3)])).toBe(6);
  });

  it('refuses sets of different size: that is our bug', () => expect(() => compareSets([newtons(1)], [])).toThrow(RangeError));
});

describe('cents for what is drawn past the nut', () => {
  it('are what the pitch of a string rises by: a tenth of a millimetre on 770 mm at a strain of 0.5 %', () => {
    const pitchAt = (strain: number) => Math.sqrt(strain * (1 + strain));
    const [strain, path, drawn] = [0.005, 0.77, 0.0001];
    const after = (1 + strain) * (1 + drawn / path) - 1;
    const rises = 1200 * Math.log2(pitchAt(after) / pitchAt(strain));
    expect(centsPerMetre(strain, metres(path)) * drawn).toBeCloseTo(rises, 0);
    // 865.617 (1/0.1 + 1/1.1) 1.1 / 0.65 where a string stretches by a tenth
    expect(centsPerMetre(0.1, metres(0.65))).toBeCloseTo(15_980.6, 0);
    expect(centsPerMetre(strain, metres(path))).toBeCloseTo((865.617 * (200 + 1 / 1.005) * 1.005) / 0.77, -2);
  });
});
