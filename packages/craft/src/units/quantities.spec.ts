import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  fromDegrees,
  fromGigapascals,
  fromInches,
  fromMegapascals,
  fromMillimetres,
  metres,
  newtons,
  toDegrees,
  toInches,
  toKilogramsForce,
  toMillimetres,
  toPoundsForce,
} from './index.js';

describe('units', () => {
  it('makes 25.4 mm of an inch and 4.4482 N of a pound', () => {
    expect(toMillimetres(fromInches(1))).toBeCloseTo(25.4, 12);
    expect(toPoundsForce(newtons(4.4482216152605))).toBeCloseTo(1, 12);
    expect(toKilogramsForce(newtons(9.80665))).toBeCloseTo(1, 12);
    expect(fromDegrees(180)).toBeCloseTo(Math.PI, 12);
    expect(fromGigapascals(2)).toBe(2_000_000_000);
    expect(fromMegapascals(2)).toBe(2_000_000);
  });

  it('comes back to where it was', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e3, max: 1e3, noNaN: true }), (value) => {
        expect(toMillimetres(fromMillimetres(value))).toBeCloseTo(value, 9);
        expect(fromInches(toInches(metres(value)))).toBeCloseTo(value, 9);
        expect(toDegrees(fromDegrees(value))).toBeCloseTo(value, 9);
      }),
    );
  });
});
