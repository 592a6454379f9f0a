import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ridders } from './index.js';

const ROUNDING = Number.EPSILON;

describe('ridders', () => {
  const anyRoot = fc.double({ min: -0.9, max: 0.9, noNaN: true });
  const anyShape = fc.constantFrom(
    (x: number) => x ** 3 + x,
    (x: number) => x * (x > 0 ? 5 : 1),
    (x: number) => Math.tanh(40 * x),
    (x: number) => Math.expm1(12 * x),
    (x: number) => Math.cbrt(x),
  );

  it('finds √2 in fewer values of the function than bisection would take halvings', () => {
    let asked = 0;
    const root = ridders((x) => (asked++, x * x - 2), 0, 2, 1e-12);
    expect(root.kind === 'root' && root.x).toBeCloseTo(Math.SQRT2, 11);
    // an error of one is squared five times, to a tenth, a hundredth and so on to 1e-16, and a sixth step no longer moves: two values each, and two ends
    expect(asked).toBeLessThanOrEqual(2 + 2 * 6);
  });

  it('says that no root is bracketed, also where the function is not a number, and takes a root at either end or just between them', () => {
    expect(ridders((x) => x * x + 1, -1, 1, 1e-9)).toEqual({ kind: 'not-bracketed' });
    expect(ridders(() => Number.NaN, -1, 1, 1e-9)).toEqual({ kind: 'not-bracketed' });
    for (const x of [0, 0.5, 1]) expect(ridders((at) => at - x, 0, 1, 1e-9)).toEqual({ kind: 'root', x });
  });

  it('takes no gap for a root: a function that is no number between ends that are some', () => {
    expect(ridders((x) => (x < -0.9 ? -1 : x > 0.9 ? 1 : Number.NaN), -1, 1, 1e-9)).toEqual({ kind: 'not-bracketed' });
    expect(ridders((x) => (x === 0.5 || x < 0.1 ? x - 0.3 : x > 0.9 ? 1 : Number.NaN), 0, 1, 1e-9)).toEqual({ kind: 'not-bracketed' });
  });

  it('takes an exact root as soon as it meets one', () => {
    let asked = 0;
    // of a straight line the first step finds it: two ends, the middle and the root
    expect(ridders((x) => (asked++, 3 * (x - 0.25)), 0, 1, 0)).toEqual({ kind: 'root', x: 0.25 });
    expect(asked).toBe(4);
  });

  it('finds the root of what rises or falls, to the last bit where that is asked for', () => {
    fc.assert(
      fc.property(anyRoot, anyShape, fc.constantFrom(-3, 0.5, 7), fc.constantFrom(0, 1e-12), (root, shape, slope, tolerance) => {
        const found = ridders((x) => slope * shape(x - root), -1, 1, tolerance);
        expect(found.kind === 'root' && Math.abs(found.x - root)).toBeLessThan(1e-9);
      }),
    );
  });

  it('asks only between the ends that it knows, each time', () => {
    fc.assert(
      fc.property(anyRoot, anyShape, fc.constantFrom(-1, 1), (root, shape, slope) => {
        const asked: number[] = [];
        const [low, high] = [new Array<number>(), new Array<number>()];
        const found = ridders(
          (x) => {
            if (asked.length >= 2) expect(Math.max(...low) - ROUNDING <= x && x <= Math.min(...high) + ROUNDING).toBe(true);
            asked.push(x);
            (x < root ? low : high).push(x);
            return slope * shape(x - root);
          },
          -1,
          1,
          1e-12,
        );
        expect(found.kind).toBe('root');
      }),
    );
  });
});
