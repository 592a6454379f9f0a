import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ridders } from './index.js';

describe('ridders', () => {
  it('finds √2 in fewer values of the function than bisection would take halvings', () => {
    let asked = 0;
    const root = ridders((x) => (asked++, x * x - 2), 0, 2, 1e-12);
    expect(root.kind === 'root' && root.x).toBeCloseTo(Math.SQRT2, 11);
    expect(asked).toBeLessThan(20);
  });

  it('says that no root is bracketed, also where the function is not a number, and takes a root at either end', () => {
    expect(ridders((x) => x * x + 1, -1, 1, 1e-9)).toEqual({ kind: 'not-bracketed' });
    expect(ridders(() => Number.NaN, -1, 1, 1e-9)).toEqual({ kind: 'not-bracketed' });
    expect(ridders((x) => x, 0, 1, 1e-9)).toEqual({ kind: 'root', x: 0 });
    expect(ridders((x) => x - 1, 0, 1, 1e-9)).toEqual({ kind: 'root', x: 1 });
  });

  it('finds the root of rising and falling cubes, and where a slope breaks', () => {
    const anyRoot = fc.double({ min: -0.9, max: 0.9, noNaN: true });
    fc.assert(
      fc.property(anyRoot, fc.constantFrom(-3, 0.5, 7), (root, slope) => {
        for (const f of [(x: number) => slope * ((x - root) ** 3 + (x - root)), (x: number) => slope * (x - root) * (x > root ? 5 : 1)]) {
          const found = ridders(f, -1, 1, 1e-12);
          expect(found.kind === 'root' && Math.abs(found.x - root)).toBeLessThan(1e-9);
        }
      }),
    );
  });
});
