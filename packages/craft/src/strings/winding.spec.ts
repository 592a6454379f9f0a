import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromMillimetres, kilogramsPerCubicMetre, metres, toMillimetres } from '../units/index.js';
import { coreArea, windString, type Core, type Layer } from './index.js';

const steel = kilogramsPerCubicMetre(7850);
const mm = fromMillimetres;
const core = (diameterMm: number, shape: Core['shape'] = 'round'): Core => ({ shape, diameter: mm(diameterMm), density: steel });
const round = (wireMm: number, density = 7900): Layer => ({ type: 'round', wire: mm(wireMm), density: kilogramsPerCubicMetre(density) });
const ground = (wireMm: number, groundMm: number): Layer => ({ type: 'ground', wire: mm(wireMm), ground: mm(groundMm), density: steel });

function wound(base: Core, layers: Layer[], pack?: number) {
  const built = windString(base, layers, pack);
  if (!built.ok) throw new Error(built.problem.kind);
  return built.value;
}
const mass = (base: Core, layers: Layer[]) => wound(base, layers).linearDensity;
const wrapMass = (base: Core, layers: Layer[]) => mass(base, layers) - mass(base, []);

describe('winding', () => {
  it('weighs a bare round core as its cylinder: 1 mm of steel is 6.165 g/m', () => expect(mass(core(1), [])).toBeCloseTo(6.1654e-3, 7));

  it('takes √3/2 of the square of the flats as the area of a hexagon', () => {
    // six equilateral triangles of height 1/2: side 1/√3, each 1/2 · 1/√3 · 1/2
    expect(coreArea({ shape: 'hex', diameter: metres(1) })).toBeCloseTo(6 * 0.5 * (1 / Math.sqrt(3)) * 0.5, 12);
  });

  it('equals the length of the unrolled helix times the section of the wire', () => {
    const [seat, wire] = [0.5e-3, 0.25e-3];
    const lean = Math.asin(wire / (Math.PI * (seat + wire))); // touching turns lie a wire apart square to themselves
    const pitch = wire / Math.cos(lean);
    const helix = Math.hypot(Math.PI * (seat + wire), pitch) / pitch; // of wire, per metre of string
    const expected = helix * (Math.PI / 4) * wire ** 2 * 7900;
    expect(wrapMass(core(0.5), [round(0.25)])).toBeCloseTo(expected, 10);
  });

  it('gains twice the wire in diameter with each layer', () => {
    expect(toMillimetres(wound(core(0.4), [round(0.2), round(0.3)]).outerDiameter)).toBeCloseTo(1.4, 12);
  });

  it('seats the first layer half way between the flats and the corners of a hexagon', () => {
    const corners = 1 / Math.cos(Math.PI / 6);
    expect(toMillimetres(wound(core(1, 'hex'), [round(0.2)]).outerDiameter)).toBeCloseTo((1 + corners) / 2 + 0.4, 12);
  });

  it('weighs two thin layers as one that fills the same room', () => {
    const sizes = fc.record({ seat: fc.double({ min: 0.2, max: 1, noNaN: true }), half: fc.double({ min: 0.05, max: 0.4, noNaN: true }) });
    fc.assert(
      fc.property(sizes, ({ seat, half }) => {
        fc.pre(Math.PI * (seat + 2 * half) > 2 * half);
        expect(wrapMass(core(seat), [round(half), round(half)])).toBeCloseTo(wrapMass(core(seat), [round(2 * half)]), 12);
      }),
    );
  });

  it('tends to the plain core as the wrap vanishes', () => {
    const bare = mass(core(0.4), []);
    const thinner = [0.1, 0.01, 0.001].map((wire) => mass(core(0.4), [round(wire)]) / bare - 1);
    expect(thinner[1]).toBeLessThan((thinner[0] ?? 0) / 5);
    expect(thinner[2]).toBeLessThan(0.02);
  });

  it('weighs a wire ground by nothing as the round wire, and less the more is taken off', () => {
    expect(wrapMass(core(0.5), [ground(0.3, 0)])).toBeCloseTo(wrapMass(core(0.5), [round(0.3, 7850)]), 15);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.28, noNaN: true }), fc.double({ min: 0.001, max: 0.019, noNaN: true }), (depth, more) => {
        expect(wrapMass(core(0.5), [ground(0.3, depth + more)])).toBeLessThan(wrapMass(core(0.5), [ground(0.3, depth)]));
      }),
    );
  });

  it('leaves half a ring when half of the wire is ground away (Pappus, semicircle)', () => {
    const [seat, wire] = [0.5, 0.3];
    const centroid = seat + wire - 2 * ((4 * (wire / 2)) / (3 * Math.PI)); // of the inner half, diameter of its path
    const expected = (((7850 * Math.PI * centroid * ((Math.PI / 8) * wire ** 2)) / wire) * 1e-6) as number;
    expect(wrapMass(core(seat), [ground(wire, wire / 2)])).toBeCloseTo(expected, 12);
    expect(toMillimetres(wound(core(seat), [ground(wire, wire / 2)]).outerDiameter)).toBeCloseTo(seat + wire, 12);
  });

  it('weighs a flat ribbon by its thickness alone, whatever its width, with 2 % lost at the edges', () => {
    const flat = (widthMm: number): Layer => ({ type: 'flat', thickness: mm(0.1), width: mm(widthMm), density: steel });
    const tube = (7850 * Math.PI * (0.6 ** 2 - 0.4 ** 2) * 1e-6) / 4; // 0.1 mm thick round 0.4 mm
    expect(wrapMass(core(0.4), [flat(0.3)])).toBeCloseTo(0.98 * tube, 12);
    expect(wrapMass(core(0.4), [flat(0.8)])).toBeCloseTo(0.98 * tube, 12);
  });

  it('fills a floss core only in part', () => {
    const floss = { shape: 'floss' as const, diameter: mm(0.47), density: kilogramsPerCubicMetre(1140) };
    expect(mass({ ...floss, fill: 0.5 }, []) / mass({ ...floss, fill: 1 }, [])).toBeCloseTo(0.5, 12);
    expect(mass(floss, []) / mass({ ...floss, fill: 1 }, [])).toBeCloseTo(0.75, 12);
  });

  it('puts the pack factor on the wrap only', () => {
    const packed = wound(core(0.4), [round(0.2)], 1.02).linearDensity - mass(core(0.4), []);
    expect(packed / wrapMass(core(0.4), [round(0.2)])).toBeCloseTo(1.02, 10);
  });

  it('calls wire that cannot close round its seat impossible, and names the layer', () => {
    const built = windString(core(0.1), [round(0.05), { type: 'flat', thickness: mm(0.1), width: mm(2), density: steel }]);
    expect(built).toMatchObject({ ok: false, problem: { kind: 'layer-does-not-close', layer: 1 } });
  });

  it('calls a wire ground through impossible', () => {
    expect(windString(core(0.4), [ground(0.3, 0.3)])).toMatchObject({ ok: false, problem: { kind: 'ground-away', layer: 0 } });
  });

  it('throws for sizes that the edges should have refused', () => {
    expect(() => windString(core(0), [])).toThrow(RangeError);
    expect(() => windString(core(0.4), [round(Number.NaN)])).toThrow(RangeError);
  });
});
