import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factorSpd } from './index.js';

const square = (...entries: number[]) => [entries.slice(0, 2), entries.slice(2)];

describe('inverting a symmetric, positive definite matrix', () => {
  it('gives [[3, −1], [−1, 2]] / 5 for [[2, 1], [1, 3]]', () => {
    const inverse = factorSpd(square(2, 1, 1, 3)).inverse();
    expect(inverse.flatMap((row) => [...row])).toEqual([0.6, -0.2, -0.2, 0.4].map((value) => expect.closeTo(value, 12)));
  });

  it('times the matrix is one, whatever the matrix', () => {
    const entry = fc.double({ min: -3, max: 3, noNaN: true });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), fc.array(entry, { minLength: 36, maxLength: 36 }), (n, entries) => {
        const a = Array.from({ length: n }, (_, row) => entries.slice(row * 6, row * 6 + n));
        // A·Aᵀ + 1 is positive definite
        const spd = a.map((row, i) => a.map((other, j) => row.reduce((sum, value, k) => sum + value * (other[k] ?? 0), i === j ? 1 : 0)));
        const inverse = factorSpd(spd).inverse();
        spd.forEach((row, i) =>
          inverse.forEach((_, j) => {
            const product = row.reduce((sum, value, k) => sum + value * (inverse[k]?.[j] ?? 0), 0);
            expect(product).toBeCloseTo(i === j ? 1 : 0, 8);
          }),
        );
      }),
    );
  });

  it('refuses what is not positive definite', () => {
    expect(() => factorSpd([[0]])).toThrow('not positive definite at 0');
    expect(() => factorSpd(square(1, 2, 2, 1))).toThrow('not positive definite at 1');
  });
});
