import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factorSpd } from '../solve/index.js';
import { solveBipartite, type Equation } from './solve-bipartite.js';

const [LEFT, RIGHT] = [{ size: 3, precision: 4 }, { size: 5, precision: 0.25 }]; // prettier-ignore
const number = fc.double({ min: -3, max: 3, noNaN: true });
const equation: fc.Arbitrary<Equation> = fc.record({
  left: fc.nat({ max: LEFT.size - 1 }),
  right: fc.nat({ max: RIGHT.size - 1 }),
  a: number,
  b: number,
  value: number,
  weight: fc.double({ min: 0.01, max: 10, noNaN: true }),
});

/** The same by the whole matrix of normal equations. */
function wholeMatrix(equations: readonly Equation[]) {
  const n = LEFT.size + RIGHT.size;
  const rows = Array.from({ length: n }, (_, row) =>
    Array.from({ length: n }, (__, column) => (row !== column ? 0 : row < LEFT.size ? LEFT.precision : RIGHT.precision)),
  );
  const pull = new Array<number>(n).fill(0);
  for (const { left, right, a, b, value, weight } of equations) {
    const terms = [[left, a] as const, [LEFT.size + right, b] as const];
    for (const [row, x] of terms) {
      pull[row] = (pull[row] ?? 0) + weight * x * value;
      for (const [column, y] of terms) (rows[row] ?? [])[column] = (rows[row]?.[column] ?? 0) + weight * x * y;
    }
  }
  const covariance = factorSpd(rows).inverse();
  return {
    values: covariance.map((row) => row.reduce((sum, each, column) => sum + each * (pull[column] ?? 0), 0)),
    spreads: covariance.map((row, index) => Math.sqrt(row[index] ?? 0)),
  };
}

describe('least squares between two sides', () => {
  it('gives what the whole matrix gives, whichever side is the larger', () => {
    fc.assert(
      fc.property(fc.array(equation, { maxLength: 30 }), (equations) => {
        const whole = wholeMatrix(equations);
        const solved = solveBipartite({ left: LEFT, right: RIGHT, equations });
        const turned = solveBipartite({
          left: RIGHT,
          right: LEFT,
          equations: equations.map(({ left, right, a, b, ...rest }) => ({ left: right, right: left, a: b, b: a, ...rest })),
        });
        const near = (found: readonly number[], wanted: readonly number[]) =>
          found.forEach((each, index) => expect(each).toBeCloseTo(wanted[index] ?? Number.NaN, 7));
        near([...solved.left.values, ...solved.right.values], whole.values);
        near([...solved.left.spreads(), ...solved.right.spreads()], whole.spreads);
        near([...turned.right.values, ...turned.left.values], whole.values);
        near([...turned.right.spreads(), ...turned.left.spreads()], whole.spreads);
      }),
    );
  });

  it('refuses an equation of an unknown that there is not: our bug', () => {
    const one = { left: 0, right: 0, a: 1, b: 1, value: 1, weight: 1 };
    expect(() => solveBipartite({ left: LEFT, right: RIGHT, equations: [{ ...one, left: 3 }] })).toThrow('left must be below 3');
    expect(() => solveBipartite({ left: LEFT, right: RIGHT, equations: [{ ...one, right: 5 }] })).toThrow('right must be below 5');
  });

  it('leaves the priors where there is no equation', () => {
    const { left, right } = solveBipartite({ left: LEFT, right: RIGHT, equations: [] });
    expect([left.values, left.spreads()]).toEqual([
      [0, 0, 0],
      [0.5, 0.5, 0.5],
    ]); // one over the root of 4
    expect([right.values, right.spreads()]).toEqual([new Array(5).fill(0), new Array(5).fill(2)]);
  });
});
