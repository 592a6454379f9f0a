import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bisect } from './index.js';

describe('bisect', () => {
  it('finds √2 to the tolerance asked for', () => {
    const root = bisect((x) => x * x - 2, 0, 2, 1e-12);
    expect(root.kind === 'root' && root.x).toBeCloseTo(Math.SQRT2, 11);
  });

  it('works at any scale: a root of 1e-10 between zero and 1e-9', () => {
    const root = bisect((x) => x - 1e-10, 0, 1e-9, 1e-20);
    expect(root.kind === 'root' && root.x / 1e-10).toBeCloseTo(1, 8);
  });

  it('says that no root is bracketed, also where the function is not a number', () => {
    expect(bisect((x) => x * x + 1, -1, 1, 1e-9)).toEqual({ kind: 'not-bracketed' });
    expect(bisect(() => Number.NaN, -1, 1, 1e-9)).toEqual({ kind: 'not-bracketed' });
  });

  it('goes on to neighbouring numbers where no tolerance is given, from either side', () => {
    for (const root of [0.1, 1 / 3, Math.SQRT1_2, 1e-300]) {
      const at = { above: bisect((x) => (x < root ? -1 : 1), -1, 1, 0), below: bisect((x) => (x <= root ? -1 : 1), -1, 1, 0) };
      for (const found of Object.values(at))
        expect(found.kind === 'root' && Math.abs(found.x - root)).toBeLessThanOrEqual(Number.EPSILON * root);
    }
  });

  it('asks no more than the tolerance wants: ten halvings of one to a thousandth', () => {
    let asked = 0;
    bisect((x) => (asked++, x - 0.3), 0, 1, 1 / 1024);
    expect(asked).toBe(2 + 10);
  });

  it('takes a root at either end', () => {
    expect(bisect((x) => x, 0, 1, 1e-9)).toEqual({ kind: 'root', x: 0 });
    expect(bisect((x) => x - 1, 0, 1, 1e-9)).toEqual({ kind: 'root', x: 1 });
  });

  it('finds the root of every straight line that crosses between the ends', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.99, max: 0.99, noNaN: true }), fc.constantFrom(-3, 0.5, 7), (root, slope) => {
        const found = bisect((x) => slope * (x - root), -1, 1, 1e-10);
        expect(found.kind).toBe('root');
        expect(Math.abs((found.kind === 'root' ? found.x : 9) - root)).toBeLessThanOrEqual(1e-10);
      }),
    );
  });
});
