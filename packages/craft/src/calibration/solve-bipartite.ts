import { factorSpd } from '../solve/index.js';

/** One equation between an unknown of either side: a · left + b · right = value, with its weight, one over the square of its noise. */
export interface Equation {
  left: number;
  right: number;
  a: number;
  b: number;
  value: number;
  weight: number;
}

interface Side {
  /** How many unknowns. */
  size: number;
  /** One over the square of the spread of their prior, which lies about zero. */
  precision: number;
}

interface SolvedSide {
  values: number[];
  /** One standard deviation of each. */
  spreads: () => number[];
}

/**
 * Linear least squares with normal priors where every equation joins one unknown of the left with one of the right. Among themselves the unknowns of a side never
 * meet, so that the larger side is eliminated one by one and a small, dense matrix is left (Schur's complement; Golub & Van Loan, Matrix Computations, ch. 3): the
 * cost grows with the equations, and with the cube of the smaller side only.
 */
export function solveBipartite({ left, right, equations }: { left: Side; right: Side; equations: readonly Equation[] }): {
  left: SolvedSide;
  right: SolvedSide;
} {
  if (left.size > right.size) {
    const turned = equations.map(({ left: l, right: r, a, b, ...rest }) => ({ left: r, right: l, a: b, b: a, ...rest }));
    const { left: solvedRight, right: solvedLeft } = solveBipartite({ left: right, right: left, equations: turned });
    return { left: solvedLeft, right: solvedRight };
  }
  const eliminated = eliminate(right, equations);
  const { kept, pull } = keep(left, equations, eliminated);
  const factors = factorSpd(kept);
  const values = factors.solve(pull);
  return {
    left: {
      values: [...values],
      spreads: () => factors.inverse().map((row, index) => Math.sqrt(row[index] ?? 0)),
    },
    right: {
      values: eliminated.map(({ information, pull: own, joins }) =>
        joins.reduce((rest, join) => rest - (join.across * (values[join.left] ?? 0)) / information, own / information),
      ),
      spreads() {
        const covariance = factors.inverse();
        return eliminated.map(({ information, joins }) => {
          const through = joins.map((one) =>
            joins.reduce((sum, other) => sum + one.across * other.across * (covariance[one.left]?.[other.left] ?? 0), 0),
          );
          return Math.sqrt(1 / information + through.reduce((sum, each) => sum + each, 0) / information ** 2);
        });
      },
    },
  };
}

interface Eliminated {
  /** Its own information, its prior included. */
  information: number;
  pull: number;
  /** The unknowns of the other side that it is joined with, few as a rule, and how strongly. */
  joins: Join[];
}

interface Join {
  left: number;
  across: number;
}

function eliminate({ size, precision }: Side, equations: readonly Equation[]): Eliminated[] {
  const each = Array.from({ length: size }, (): Eliminated => ({ information: precision, pull: 0, joins: [] }));
  for (const { left, right, a, b, value, weight } of equations) {
    const own = each[right];
    if (own === undefined) throw new RangeError(`right must be below ${size}`);
    own.information += weight * b * b;
    own.pull += weight * b * value;
    const known = own.joins.find((join) => join.left === left);
    if (known === undefined) own.joins.push({ left, across: weight * a * b });
    else known.across += weight * a * b;
  }
  return each;
}

/** What is left of the normal equations for the side that is kept. */
function keep({ size, precision }: Side, equations: readonly Equation[], eliminated: readonly Eliminated[]) {
  const kept = Array.from({ length: size }, () => new Float64Array(size));
  const pull = new Float64Array(size);
  const add = (row: number, column: number, amount: number) => {
    const own = kept[row];
    if (own === undefined) throw new RangeError(`left must be below ${size}`);
    own[column] = (own[column] ?? 0) + amount;
  };
  for (let row = 0; row < size; row++) add(row, row, precision);
  for (const { left, a, value, weight } of equations) {
    add(left, left, weight * a * a);
    pull[left] = (pull[left] ?? 0) + weight * a * value;
  }
  for (const { information, pull: own, joins } of eliminated) {
    for (const { left: row, across } of joins) {
      pull[row] = (pull[row] ?? 0) - (across * own) / information;
      for (const join of joins) add(row, join.left, (-across * join.across) / information);
    }
  }
  return { kept, pull };
}
