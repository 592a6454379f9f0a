export type Root = { kind: 'root'; x: number } | { kind: 'not-bracketed' } | { kind: 'not-converged'; width: number };

/** Enough to halve any interval of doubles down to neighbouring numbers. */
const MAX_HALVINGS = 1100;

/**
 * Root of `f` between `lower` and `upper`, to `tolerance` in x or to the last bit. `f` must be continuous between the ends:
 * a pole would pass for a root. Uses the sign of f(x) only, so any scale will do.
 */
export function bisect(f: (x: number) => number, lower: number, upper: number, tolerance: number): Root {
  const side = Math.sign(f(lower));
  if (side === 0) return { kind: 'root', x: lower };
  const otherSide = Math.sign(f(upper));
  if (otherSide === 0) return { kind: 'root', x: upper };
  if (side * otherSide !== -1) return { kind: 'not-bracketed' }; // NaN comes here too: NaN !== -1
  for (let halvings = 0; halvings < MAX_HALVINGS; halvings++) {
    const x = lower + (upper - lower) / 2;
    if (upper - lower <= tolerance || x === lower || x === upper) return { kind: 'root', x };
    if (Math.sign(f(x)) === side) lower = x;
    else upper = x;
  }
  return { kind: 'not-converged', width: upper - lower };
}
