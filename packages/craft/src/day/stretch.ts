import type { Minute } from './model.js';

/** One person's time: gaps in which to work, and what is taken of them, both in the order of time. */
export class Stretch {
  private readonly taken: Minute[] = [];
  private readonly until: Minute[] = [];

  constructor(
    private readonly gaps: readonly (readonly [from: Minute, until: Minute])[],
    private readonly ends: readonly Minute[] = gaps.map(([, until]) => until),
  ) {}

  copy(): Stretch {
    const other = new Stretch(this.gaps, this.ends);
    other.taken.push(...this.taken);
    other.until.push(...this.until);
    return other;
  }

  /** The earliest that so many minutes fit, not before `from`; infinity where they do not. */
  earliest(from: Minute, minutes: Minute): Minute {
    const { taken, until } = this;
    let nth = firstAfter(until, from);
    for (const [begins, ends] of this.gaps.slice(firstAfter(this.ends, from))) {
      let at = Math.max(begins, from);
      while (at + minutes <= ends) {
        while (nth < until.length && (until[nth] ?? 0) <= at) nth++;
        if (nth >= taken.length || (taken[nth] ?? 0) >= at + minutes) return at;
        at = until[nth] ?? 0;
      }
    }
    return Infinity;
  }

  take(start: Minute, end: Minute): void {
    const at = firstAfter(this.taken, start);
    this.taken.splice(at, 0, start);
    this.until.splice(at, 0, end);
  }

  giveBack(start: Minute): void {
    const at = firstAfter(this.taken, start) - 1;
    this.taken.splice(at, 1);
    this.until.splice(at, 1);
  }
}

/** Number of the first that lies after `at`. */
function firstAfter(times: readonly Minute[], at: Minute): number {
  let [low, high] = [0, times.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((times[middle] ?? 0) <= at) low = middle + 1;
    else high = middle;
  }
  return low;
}
