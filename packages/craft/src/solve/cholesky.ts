/**
 * Inverse of a symmetric, positive definite matrix by Cholesky's factors (Golub & Van Loan, Matrix Computations, ch. 4). Rows of equal length; the caller's rows
 * stay as they are.
 * @throws RangeError where it is not positive definite: priors make it so, hence it is our bug.
 */
export function invertSpd(matrix: readonly (readonly number[])[]): number[][] {
  const n = matrix.length;
  const lower = matrix.map(() => new Float64Array(n));
  const at = (row: number, column: number) => lower[row]?.[column] ?? 0;
  for (let row = 0; row < n; row++) {
    for (let column = 0; column <= row; column++) {
      let rest = matrix[row]?.[column] ?? Number.NaN;
      for (let k = 0; k < column; k++) rest -= at(row, k) * at(column, k);
      if (row === column && !(rest > 0)) throw new RangeError(`not positive definite at ${row}`);
      lower[row]?.set([row === column ? Math.sqrt(rest) : rest / at(column, column)], column);
    }
  }
  return matrix.map((_, unit) => {
    const solved = new Array<number>(n).fill(0);
    for (let row = 0; row < n; row++) {
      let rest = row === unit ? 1 : 0;
      for (let k = 0; k < row; k++) rest -= at(row, k) * (solved[k] ?? 0);
      solved[row] = rest / at(row, row);
    }
    for (let row = n - 1; row >= 0; row--) {
      let rest = solved[row] ?? 0;
      for (let k = row + 1; k < n; k++) rest -= at(k, row) * (solved[k] ?? 0);
      solved[row] = rest / at(row, row);
    }
    return solved;
  });
}
