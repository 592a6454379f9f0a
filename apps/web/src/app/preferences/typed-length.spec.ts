import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mmToTyped, typedToMm } from './typed-length';

describe('a length that is typed', () => {
  it('is taken in the unit of who types it: an inch is 25.4 mm', () => {
    expect(typedToMm('0.2', 'mm')).toBe(0.2);
    expect(typedToMm('0,2', 'mm')).toBe(0.2);
    expect(typedToMm(' .010 ', 'in')).toBeCloseTo(0.254, 9);
    expect(typedToMm('−0.1', 'mm')).toBe(-0.1);
  });

  it('is nothing where it is no number', () => {
    for (const typed of ['', '  ', 'flat', '1/64', 'NaN', 'Infinity']) expect(typedToMm(typed, 'mm')).toBeNull();
  });

  it('comes back as it was typed, to a hundredth of a millimetre or a thousandth of an inch', () => {
    fc.assert(
      fc.property(fc.integer({ min: -300, max: 3000 }), (hundredths) => {
        expect(typedToMm(mmToTyped(hundredths / 100, 'mm'), 'mm')).toBeCloseTo(hundredths / 100, 9);
        const inches = (hundredths / 1000).toFixed(3);
        expect(mmToTyped(typedToMm(inches, 'in') ?? Number.NaN, 'in')).toBe(inches === '-0.000' ? '0.000' : inches);
      }),
    );
  });
});
