import { describe, expect, it } from 'vitest';
import { fromMillimetres } from '../units/index.js';
import { musicWireStrength, steelModulus } from './steel.js';

const gigapascals = (mm: number) => steelModulus(fromMillimetres(mm)) / 1e9;

describe('drawn steel', () => {
  it.each([
    [0.79, 203.4],
    [0.81, 200],
    [1.59, 200],
    [1.61, 196.5],
  ])('of %d mm has the modulus of its class in the wire tables, %d GPa', (mm, expected) => {
    expect(gigapascals(mm)).toBeCloseTo(expected, 9);
  });

  it('is 2211 MPa strong at one millimetre, and two to the 0.145 times as strong at half', () => {
    expect(musicWireStrength(fromMillimetres(1)) / 1e6).toBeCloseTo(2211, 6);
    expect(musicWireStrength(fromMillimetres(0.5)) / 1e6).toBeCloseTo(2444.8, 1);
  });
});
