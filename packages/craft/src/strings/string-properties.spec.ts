import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromInches, fromMillimetres, kilogramsPerMetre } from '../units/index.js';
import { coreFromGauge, stringProperties, type StringSpec } from './index.js';

const inch = fromInches;
function properties(spec: StringSpec) {
  const outcome = stringProperties(spec);
  if (!outcome.ok) throw new Error(outcome.problem.kind);
  return outcome.value;
}
const wound = (thousandths: number, more: Partial<StringSpec> = {}): StringSpec => ({
  family: 'electric',
  construction: 'wound',
  gauge: inch(thousandths / 1000),
  ...more,
});

describe('string properties', () => {
  it('takes mass, stiffness and strength of a plain string from its whole section', () => {
    const string = properties({ family: 'electric', construction: 'plain', gauge: fromMillimetres(0.254) });
    const area = 0.0506707e-6; // π/4 · 0.254²
    expect(string.linearDensity).toBeCloseTo(7820 * area, 8);
    expect(string.stiffness / (203.4e9 * area)).toBeCloseTo(1, 4);
    // 2211 MPa / 0.254^0.145 = 2211 · 1.2198 = 2697 MPa
    expect(string.breakingLoad / (2697e6 * area)).toBeCloseTo(1, 3);
    expect(string.thins).toBe(false);
  });

  it('guesses the core of a .046 as .0179 in across flats, and of a bass .105 as .025 in', () => {
    expect(properties(wound(46)).core).toBeCloseTo(inch(0.0179), 9);
    expect(properties(wound(105, { family: 'bass' })).core).toBeCloseTo(inch(0.025), 9);
    expect(properties(wound(43, { family: 'classical' })).core).toBeCloseTo(inch(0.0185), 9);
  });

  it('carries load by the core alone: the wrap changes weight but not strength', () => {
    const nickel = properties(wound(46, { wrap: 'nickelPlatedSteel' }));
    const tungsten = properties(wound(46, { wrap: 'tungsten' }));
    expect(tungsten.linearDensity).toBeGreaterThan(1.5 * nickel.linearDensity);
    expect(tungsten.breakingLoad).toBe(nickel.breakingLoad);
    expect(tungsten.stiffness).toBe(nickel.stiffness);
  });

  it('lets polymers thin as they stretch, wound ones on a floss core too', () => {
    expect(properties({ family: 'classical', construction: 'nylon', gauge: inch(0.028) }).thins).toBe(true);
    expect(properties(wound(43, { family: 'classical' })).thins).toBe(true);
    expect(properties(wound(43, { family: 'electric' })).thins).toBe(false);
  });

  it('lets a weighed offcut win, with a narrower band, and finds the core that explains it', () => {
    const made = properties(wound(46, { core: inch(0.02) }));
    const weighed = properties(wound(46, { linearDensity: made.linearDensity }));
    expect(weighed.linearDensity).toBe(made.linearDensity);
    expect(weighed.bandPercent).toBeLessThan(made.bandPercent);
    expect((weighed.core ?? 0) / inch(0.02)).toBeCloseTo(1, 6);
  });

  it('keeps the usual core where no core would explain the weight', () => {
    const odd = properties(wound(46, { linearDensity: kilogramsPerMetre(0.05) }));
    expect(odd.core).toBeCloseTo(inch(0.0179), 9);
    expect(odd.linearDensity).toBe(0.05);
  });

  it.each([0.046, 0.05, 0.045])('refuses a core of %f in inside a .046: its seat leaves no room', (coreInches) => {
    expect(stringProperties(wound(46, { core: inch(coreInches) }))).toMatchObject({ ok: false, problem: { kind: 'core-not-inside' } });
  });

  it('refuses to guess a core where none is usual: a floss core in a .020', () => {
    expect(coreFromGauge('classical', inch(0.02))).toMatchObject({ kind: 'no-usual-core' });
    expect(stringProperties(wound(20, { family: 'classical' }))).toMatchObject({ ok: false, problem: { kind: 'no-usual-core' } });
  });

  it('grows heavier with gauge in every family and construction', () => {
    const family = fc.constantFrom('electric' as const, 'acoustic' as const, 'mandolin' as const, 'banjo' as const);
    const construction = fc.constantFrom('plain' as const, 'wound' as const, 'nylon' as const, 'fluorocarbon' as const, 'gut' as const);
    fc.assert(
      fc.property(family, construction, fc.integer({ min: 18, max: 60 }), (kind, made, gauge) => {
        const weight = (thousandths: number) =>
          properties({ family: kind, construction: made, gauge: inch(thousandths / 1000) }).linearDensity;
        expect(weight(gauge + 1)).toBeGreaterThan(weight(gauge));
      }),
    );
  });

  it('is stiffer to a quick bend than to winding where it is nylon: 5 against 1.7 GPa; steel knows no difference', () => {
    const nylon = properties({ family: 'classical', construction: 'nylon', gauge: inch(0.028) });
    expect(nylon.stiffnessAtPitch / nylon.stiffness).toBeCloseTo(5 / 1.7, 9);
    const steel = properties(wound(46));
    expect(steel.stiffnessAtPitch).toBe(steel.stiffness);
  });

  it('states a range round the stiffness of polymers that holds the value', () => {
    const { stiffness, range } = properties({ family: 'ukulele', construction: 'fluorocarbon', gauge: inch(0.026) });
    expect(range.stiffness[0]).toBeLessThan(stiffness);
    expect(range.stiffness[1]).toBeGreaterThan(stiffness);
    expect(range.creep[0]).toBeLessThan(range.creep[1]);
  });
});
