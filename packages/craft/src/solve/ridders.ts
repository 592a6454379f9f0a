import type { Root } from './bisect.js';

const MOST_STEPS = 200;

/**
 * Root of a continuous `f` between `lower` and `upper`, once a step moves it by `tolerance` at most: Ridders' method, bracketed all the way and quadratic where f is
 * smooth (C. Ridders, IEEE Transactions on Circuits and Systems 26, 1979). It takes two values of f a step, and three or four steps where bisection takes forty.
 */
export function ridders(f: (x: number) => number, lower: number, upper: number, tolerance: number): Root {
  let [a, b, fa, fb] = [lower, upper, f(lower), f(upper)];
  if (fa === 0) return { kind: 'root', x: a };
  if (fb === 0) return { kind: 'root', x: b };
  if (!(fa * fb < 0)) return { kind: 'not-bracketed' };
  let before = Number.NaN;
  for (let steps = 0; steps < MOST_STEPS; steps++) {
    const middle = a + (b - a) / 2;
    const fm = f(middle);
    if (fm === 0) return { kind: 'root', x: middle };
    const x = middle + ((middle - a) * Math.sign(fa - fb) * fm) / Math.sqrt(fm * fm - fa * fb);
    const fx = f(x);
    if (fx === 0 || Math.abs(x - before) <= tolerance || b - a <= tolerance) return { kind: 'root', x };
    before = x;
    if (fm * fx < 0) [a, fa, b, fb] = [middle, fm, x, fx];
    else if (fa * fx < 0) [b, fb] = [x, fx];
    else [a, fa] = [x, fx];
    if (a > b) [a, fa, b, fb] = [b, fb, a, fa];
  }
  return { kind: 'not-converged', width: b - a };
}
