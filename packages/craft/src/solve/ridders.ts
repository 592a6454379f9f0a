import type { Root } from './bisect.js';

/**
 * Root of a continuous `f` between `lower` and `upper`, once a step moves it by `tolerance` (zero or more) at most: Ridders' method, bracketed all the way and quadratic
 * where f is smooth (C. Ridders, IEEE Transactions on Circuits and Systems 26, 1979). It takes two values of f a step, and three or four steps where bisection takes forty.
 */
export function ridders(f: (x: number) => number, lower: number, upper: number, tolerance: number): Root {
  let [a, b, fa, fb] = [lower, upper, f(lower), f(upper)];
  if (fa === 0) return { kind: 'root', x: a };
  if (fb === 0) return { kind: 'root', x: b };
  if (Math.sign(fa) !== -Math.sign(fb)) return { kind: 'not-bracketed' };
  let [x, moved] = [Infinity, Infinity];
  // ends: each step leaves less between a and b, or finds the same x again
  while (moved > tolerance) {
    const middle = a + (b - a) / 2;
    const fm = f(middle);
    if (fm === 0) return { kind: 'root', x: middle };
    const next = middle + ((middle - a) * Math.sign(fa) * Math.sign(fm)) / Math.sqrt(1 - (fa / fm) * (fb / fm));
    const fx = f(next);
    if (fx === 0) return { kind: 'root', x: next };
    if (Number.isNaN(fx)) return { kind: 'not-bracketed' }; // no number between ends that are some: what lies there is no root
    moved = Math.min(Math.abs(next - x), b - a);
    x = next;
    if (Math.sign(fm) !== Math.sign(fx)) [a, fa, b, fb] = x < middle ? [x, fx, middle, fm] : [middle, fm, x, fx];
    else if (Math.sign(fa) !== Math.sign(fx)) [b, fb] = [x, fx];
    else [a, fa] = [x, fx];
  }
  return { kind: 'root', x };
}
