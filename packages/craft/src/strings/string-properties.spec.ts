import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CREEP, DENSITY, STRENGTH, WINDING, YOUNGS_MODULUS, type Wrap } from '../constants/index.js';
import { fromInches, fromMillimetres, kilogramsPerMetre } from '../units/index.js';
import { coreArea, coreFromGauge, stringProperties, usualWrap, type StringSpec } from './index.js';

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

  it('says what its mass rests on: its whole section, a core that is usual, given or found from its mass, and how it is wound', () => {
    const basis = (spec: StringSpec) => properties(spec).basis;
    const plain: StringSpec = { family: 'electric', construction: 'plain', gauge: inch(0.01) };
    const nylon: StringSpec = { family: 'classical', construction: 'nylon', gauge: inch(0.028) };
    expect(basis(plain)).toEqual({ weighed: false, core: 'whole', winding: null });
    expect(basis({ ...nylon, linearDensity: kilogramsPerMetre(0.0005) })).toEqual({ weighed: true, core: 'whole', winding: null });
    const round = { finish: 'round', layers: 1, silk: false };
    const linearDensity = properties(wound(46, { core: inch(0.02) })).linearDensity;
    expect(basis(wound(46))).toEqual({ weighed: false, core: 'usual', winding: round });
    expect(basis(wound(46, { core: inch(0.018) }))).toEqual({ weighed: false, core: 'given', winding: round });
    expect(basis(wound(46, { linearDensity }))).toEqual({ weighed: true, core: 'from-mass', winding: round });
    expect(basis(wound(46, { linearDensity, core: inch(0.018) }))).toMatchObject({ weighed: true, core: 'given' });
    expect(basis(wound(46, { finish: 'flat', layers: 2, silk: true })).winding).toEqual({ finish: 'flat', layers: 2, silk: true });
  });

  it('lets a core that was given stand, whatever the string weighed', () => {
    const weighed = properties(wound(46, { core: inch(0.018), linearDensity: properties(wound(46, { core: inch(0.02) })).linearDensity }));
    expect(weighed.core).toBe(inch(0.018));
  });

  it.each([
    ['classical', 'silverPlatedCopper'],
    ['ukulele', 'silverPlatedCopper'],
    ['acoustic', 'phosphorBronze'],
    ['mandolin', 'phosphorBronze'],
    ['electric', 'nickelPlatedSteel'],
    ['bass', 'nickelPlatedSteel'],
    ['banjo', 'nickelPlatedSteel'],
  ] as const)('is wound on a %s with %s unless it is said', (family, wrap) => {
    expect(usualWrap(family)).toBe(wrap);
    expect(properties(wound(40, { family })).linearDensity).toBe(properties(wound(40, { family, wrap })).linearDensity);
  });

  it('packs the wire of a bass, and bronze on an acoustic, as closely as such strings are found to be', () => {
    const core = inch(0.02);
    const bare = DENSITY.coreSteel.value * coreArea({ shape: 'hex', diameter: core });
    const winding = (family: StringSpec['family'], wrap: Wrap) =>
      properties(wound(46, { family, wrap, core, coreShape: 'hex' })).linearDensity - bare;
    const plain = winding('electric', 'phosphorBronze');
    const share = (of: keyof typeof WINDING) => WINDING[of].value / WINDING.plainPack.value;
    expect(winding('bass', 'phosphorBronze') / plain).toBeCloseTo(share('bassPack'), 9);
    expect(winding('acoustic', 'phosphorBronze') / plain).toBeCloseTo(share('bronzeAcousticPack'), 9);
    expect(winding('mandolin', 'phosphorBronze') / plain).toBeCloseTo(1, 9);
    expect(winding('acoustic', 'nickelPlatedSteel') / winding('electric', 'nickelPlatedSteel')).toBeCloseTo(1, 9);
  });

  it('has floss for its core on a classical guitar and a ukulele, steel elsewhere, and what is said where it is said', () => {
    const thins = (family: StringSpec['family'], coreShape?: StringSpec['coreShape']) =>
      properties(wound(43, { family, ...(coreShape !== undefined && { coreShape }) })).thins;
    expect((['classical', 'ukulele', 'electric', 'mandolin', 'bass'] as const).map((family) => thins(family))).toEqual([
      ...[true, true],
      ...[false, false, false],
    ]);
    expect([thins('electric', 'floss'), thins('classical', 'round')]).toEqual([true, false]);
  });

  it('breaks by strength times section, and lies within what is known of its stuff: nylon of 0.7 mm', () => {
    const area = (Math.PI / 4) * 0.0007 ** 2;
    const nylon = properties({ family: 'classical', construction: 'nylon', gauge: fromMillimetres(0.7) });
    expect(nylon.breakingLoad / (STRENGTH.nylon.value * 1e6 * area)).toBeCloseTo(1, 9);
    const { low, high } = YOUNGS_MODULUS.nylonWindingUp;
    expect(nylon.range.stiffness.map((end) => end / (1e9 * area))).toEqual([low, high].map((end) => expect.closeTo(end, 9) as number));
    expect(nylon.range.creep).toEqual([CREEP.nylon.low, CREEP.nylon.high]);
    const steel = properties(wound(46));
    expect(steel.range).toEqual({ stiffness: [steel.stiffness, steel.stiffness], creep: [CREEP.steel.low, CREEP.steel.high] });
  });

  it('tells where its core would not fit, and where none is usual', () => {
    const full = stringProperties(wound(46, { core: inch(0.046), coreShape: 'round' }));
    expect(full).toEqual({ ok: false, problem: { kind: 'core-not-inside', seat: inch(0.046), gauge: inch(0.046) } });
    const thin = stringProperties(wound(20, { family: 'classical' }));
    // .0185 in of floss in a .020
    expect(thin).toEqual({ ok: false, problem: { kind: 'no-usual-core', share: expect.closeTo(0.925, 9) as number, gauge: inch(0.02) } });
    expect(() => stringProperties(wound(0))).toThrow('gauge');
  });

  it('states a range round the stiffness of polymers that holds the value', () => {
    const { stiffness, range } = properties({ family: 'ukulele', construction: 'fluorocarbon', gauge: inch(0.026) });
    expect(range.stiffness[0]).toBeLessThan(stiffness);
    expect(range.stiffness[1]).toBeGreaterThan(stiffness);
    expect(range.creep[0]).toBeLessThan(range.creep[1]);
  });
});
