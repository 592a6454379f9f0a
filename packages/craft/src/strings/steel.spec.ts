import { describe, expect, it } from 'vitest';
import { fromMillimetres } from '../units/index.js';
import { musicWireStrength, steelModulus } from './steel.js';

const gigapascals = (mm: number) => steelModulus(fromMillimetres(mm)) / 1e9;

describe('drawn steel', () => {
  it('has the modulus of its class in the wire tables, GPa', () => {
    const moduli = [203.4, 200, 200, 196.5].map((value) => expect.closeTo(value, 9));
    expect([0.79, 0.81, 1.59, 1.61].map(gigapascals)).toEqual(moduli);
  });

  it('is 2211 MPa strong at one millimetre, and two to the 0.145 times as strong at half', () => {
    expect(musicWireStrength(fromMillimetres(1)) / 1e6).toBeCloseTo(2211, 6);
    expect(musicWireStrength(fromMillimetres(0.5)) / 1e6).toBeCloseTo(2444.8, 1);
  });
});
