export type Root = { kind: 'root'; x: number } | { kind: 'not-bracketed' };

/**
 * Root of `f` between `lower` and `upper`, to `tolerance` in x or to the last bit. `f` must be continuous between the ends:
 * a pole would pass for a root. Uses the sign of f(x) only, so any scale will do.
 */
export function bisect(f: (x: number) => number, lower: number, upper: number, tolerance: number): Root {
  const side = Math.sign(f(lower));
  if (side === 0) return { kind: 'root', x: lower };
  const otherSide = Math.sign(f(upper));
  if (otherSide === 0) return { kind: 'root', x: upper };
  if (side !== -otherSide) return { kind: 'not-bracketed' }; // NaN comes here too: NaN !== NaN
  let x = between(lower, upper);
  while (upper - lower > tolerance && x !== lower && x !== upper) {
    if (Math.sign(f(x)) === side) lower = x;
    else upper = x;
    x = between(lower, upper);
  }
  return { kind: 'root', x };
}

const between = (lower: number, upper: number): number => lower + (upper - lower) / 2;
