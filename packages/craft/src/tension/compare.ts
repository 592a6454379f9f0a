import { newtons, type Newtons } from '../units/index.js';

export interface PullChange {
  before: Newtons;
  after: Newtons;
  /** Log ratio of the pulls, so that going there and back adds up to nothing. */
  logRatio: number;
  percent: number;
}

export interface SetComparison {
  strings: PullChange[];
  total: PullChange;
}

/** Per string and in total. @throws RangeError when the two sets have different numbers of strings. */
export function compareSets(before: readonly Newtons[], after: readonly Newtons[]): SetComparison {
  if (before.length !== after.length) throw new RangeError(`${before.length} strings against ${after.length}`);
  const strings = before.map((pull, index) => change(pull, after[index] ?? newtons(Number.NaN)));
  return { strings, total: change(totalPull(before), totalPull(after)) };
}

export const totalPull = (pulls: readonly Newtons[]): Newtons => newtons(pulls.reduce<number>((sum, pull) => sum + pull, 0));

const change = (before: Newtons, after: Newtons): PullChange => ({
  before,
  after,
  logRatio: Math.log(after / before),
  percent: (after / before - 1) * 100,
});
