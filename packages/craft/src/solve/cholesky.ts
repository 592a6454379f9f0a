export interface Factored {
  /** The vector that the matrix turns into `values`, length n. */
  solve: (values: ArrayLike<number>) => Float64Array;
  /** Rows of the inverse. */
  inverse: () => Float64Array[];
}

/**
 * Cholesky's factors of a symmetric, positive definite matrix (Golub & Van Loan, Matrix Computations, ch. 4). Rows of equal length; the caller's rows stay as
 * they are.
 * @throws RangeError where it is not positive definite: priors make it so, hence it is our bug.
 */
export function factorSpd(matrix: readonly ArrayLike<number>[]): Factored {
  const n = matrix.length;
  const lower = matrix.map(() => new Float64Array(n));
  lower.forEach((own, row) => {
    for (let column = 0; column <= row; column++) {
      const other = lower[column] ?? own;
      let rest = matrix[row]?.[column] ?? Number.NaN;
      for (let k = 0; k < column; k++) rest -= (own[k] ?? 0) * (other[k] ?? 0);
      if (row === column && !(rest > 0)) throw new RangeError(`not positive definite at ${row}`);
      own[column] = row === column ? Math.sqrt(rest) : rest / (other[column] ?? 0);
    }
  });
  const solve = (values: ArrayLike<number>) => {
    const solved = new Float64Array(n);
    lower.forEach((own, row) => {
      let rest = values[row] ?? 0;
      for (let k = 0; k < row; k++) rest -= (own[k] ?? 0) * (solved[k] ?? 0);
      solved[row] = rest / (own[row] ?? 0);
    });
    for (let row = n - 1; row >= 0; row--) {
      const own = lower[row] ?? solved;
      solved[row] = (solved[row] ?? 0) / (own[row] ?? 0);
      for (let k = 0; k < row; k++) solved[k] = (solved[k] ?? 0) - (own[k] ?? 0) * (solved[row] ?? 0);
    }
    return solved;
  };
  const unit = (index: number) => Float64Array.from({ length: n }, (_, row) => (row === index ? 1 : 0));
  return { solve, inverse: () => matrix.map((_, index) => solve(unit(index))) };
}
