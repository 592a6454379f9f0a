import { describe, expect, it } from 'vitest';
import { chanceFrom } from '../simulated/index.js';
import { piece, somebody, someJob, someRack } from '../testing/index.js';
import { benchOf, type Bench } from './bench.js';
import { asLying, Calendar } from './calendar.js';
import { goesOn, improve } from './improve.js';
import type { Job, Objective, Rack } from './model.js';
import { byLay, byRules, putIn } from './orders.js';
import { shuffled, takenOut } from './taken-out.js';

const job = (nth: number, minutes: number, due: number, more: Partial<Job> = {}) => someJob(`j${nth}`, due, [piece('o', minutes)], more);
const bench = (jobs: Job[], more: Partial<Rack> = {}) => benchOf(someRack(jobs, { people: [somebody('a', [[0, 2000]])], ...more }));
function putInOrder(of: Bench, order: readonly number[]): Calendar {
  const calendar = new Calendar(of);
  putIn(calendar, order);
  return calendar;
}
const starts = (of: Bench, calendar: Calendar) => of.left.map((_, nth) => calendar.spotsOf(nth)?.[0]?.start ?? null);

describe('orders to begin with', () => {
  it('go by what is due, by slack, by weight for minutes, by what is due for its weight, and by what is ready', () => {
    const wait = [piece('o', 20), piece('look', 10, 250)];
    const jobs = [
      job(0, 30, 400, { ready: 3, weight: 2 }),
      job(1, 90, 300, { ready: 5, weight: 9 }),
      job(2, 20, 350, { ready: 0, operations: wait }),
    ];
    // slack: 400 - 33, 300 - 95, 350 - 280; for a minute 1/15, 1/10, 1/30; 200, 33, 350 for a unit of weight
    expect(byRules(bench(jobs))).toEqual([[1, 2, 0], [2, 1, 0], [1, 0, 2], [1, 0, 2], [2, 0, 1]]); // prettier-ignore
  });

  it('is that of the plan in force, what was in none last and as it stands', () => {
    const lay = [1, 3].map((nth) => ({ job: `j${nth}`, operation: 'o', person: 'a', start: 50 - 10 * nth }));
    expect(byLay(benchOf(someRack([0, 1, 2, 3].map((nth) => job(nth, 10, 99))), lay))).toEqual([3, 1, 0, 2]);
  });

  it('are put in so that what would be late comes last', () => {
    const of = bench([job(0, 60, 30), job(1, 40, 50), job(2, 40, 50), job(3, 20, 70)]);
    expect(starts(of, putInOrder(of, [0, 1, 2, 3]))).toEqual([60, 0, 120, 40]);
  });
});

describe('which jobs are taken out', () => {
  /** Chances one after the other, the last one for ever. */
  const chances = (...list: number[]) => () => (list.length > 1 ? list.shift() : list[0]) as number; // prettier-ignore
  /** Half an hour each, from these minutes on; none where it is left out. */
  function lying(at: readonly (number | null)[], dues: readonly number[]) {
    const of = bench(dues.map((due, nth) => job(nth, 30, due)));
    const calendar = new Calendar(of);
    for (const [nth, start] of at.entries()) {
      const left = of.left[nth];
      if (start !== null && left !== undefined) calendar.take(nth, asLying(left, [{ free: 0, person: 0, start, end: start + 30 }]));
    }
    return (jobs: number[], ...list: number[]) => takenOut(of, calendar, jobs, chances(...list));
  }

  it('are a late one, and those that lie before its time', () => {
    const out = lying([0, 30, 100, 101, 600], [900, 900, 900, 900, 100]);
    const all = [0, 1, 2, 3, 4];
    // two; late ones; the only one; near it; of 0, 1 and 2, which begin by 100, the first or the third
    expect([0, 0.99].map((third) => out(all, 0, 0.59, 0, 0.69, 0.84, third))).toEqual([[4, 0], [4, 2]]); // prettier-ignore
    expect(out(all, 0, 0.59, 0, 0.69, 0.85, 0.7)).toEqual([4, 3]); // or any, here the fourth of five
    expect(out(all, 0, 0.59, 0, 0.7, 0.3)).toEqual([4, 1]);
    expect(out(all, 0.99, 0.5, 0.9, 0.5, 0, 0.99, 0, 0.99, 0, 0.5, 0.7)).toEqual([4, 2, 1, 0, 3]); // as many as there are
  });

  it('are any, and those that begin or are due within five hours of it', () => {
    const dues = [100, 100, 2000, 2000, 2000, 640, 641];
    const out = lying([1, 0, 300, 340, 640, null, null], dues);
    // of seven the fourth, at 340: one at 300, one at 640, and one that is left out and due then
    const near = (which: number) => out([0, 1, 2, 3, 4, 5, 6], 0, 0.6, 0.5, 0.5, 0, which)[1];
    expect([0, 0.34, 0.67].map(near)).toEqual([2, 4, 5]);
  });

  it('are fewer where chance names the same again and again', () => {
    expect(lying([0, 30], [90, 90])([0, 1], 0, 0.9, 0, 0.9, 0)).toEqual([0]);
  });

  it('come back by chance, or what is due first or weighs most, with chance in it', () => {
    const of = bench([job(0, 9, 500, { weight: 1 }), job(1, 9, 400, { weight: 3 }), job(2, 9, 300, { weight: 2 })]);
    const back = (...list: number[]) => shuffled(of, [0, 1, 2], chances(...list));
    expect(back(0.59, 0.5, 0.2, 0.9)).toEqual([1, 0, 2]);
    expect(back(0.6, 0, 0, 0)).toEqual([2, 1, 0]);
    expect(back(0.79, 0, 0.5, 0.9)).toEqual([0, 2, 1]); // 500, 520, 516
    expect(back(0.8, 0.5, 0.5, 0.5)).toEqual([1, 2, 0]);
    expect(back(0.9, 0, 1, 0.5)).toEqual([0, 2, 1]); // 0.3, 0.333, 0.325
  });
});

describe('what is improved step by step', () => {
  const over = (steps: number) => {
    let taken = 0;
    return () => taken++ / steps;
  };

  it('goes on with what is worse as often as heat allows, which falls from warm to cold', () => {
    const heat = { warm: 100, cold: 4 };
    const taken = (loss: number, share: number) => [-1e-9, 1e-9].map((off) => goesOn(loss, heat, share, () => 1 / Math.E + off));
    expect([taken(100, 0), taken(20, 0.5), taken(4, 1)]).toEqual([[true, false], [true, false], [true, false]]); // prettier-ignore
    expect([goesOn(0, heat, 0, () => 1), goesOn(-3, heat, 0, () => 1)]).toEqual([true, true]);
  });

  it('keeps the promises that weigh most, makes the others least late, and ends early', () => {
    const jobs = [1, 2, 3, 4, 5, 6, 7, 8].map((weight, nth) => job(nth, 30, 120, { weight }));
    const of = bench(jobs);
    const begun = putInOrder(of, [...of.left.keys()]); // the four lightest in time
    const before: Objective = { late: 5 + 6 + 7 + 8, tardiness: 5 * 30 + 6 * 60 + 7 * 90 + 8 * 120, moved: 0, flow: 30 * 36 };
    expect(begun.objective()).toEqual(before);
    const told: Objective[] = [];
    const best = improve(of, begun, chanceFrom(3), over(600), (found) => told.push(found.objective()));
    expect(best.objective()).toEqual({ late: 1 + 2 + 3 + 4, tardiness: 4 * 30 + 3 * 60 + 2 * 90 + 120, moved: 0, flow: 30 * 36 });
    expect(told.at(-1)).toEqual(best.objective());
    expect(told.map(({ late }) => late)).toEqual(told.map(({ late }) => late).sort((a, b) => b - a));
    expect(new Set(told.map((each) => JSON.stringify(each))).size).toBe(told.length);
    expect(begun.objective()).toEqual(before); // it is not changed
  });

  it('draws all together where all are in time: the shortest first', () => {
    const of = bench([50, 40, 30, 20, 10].map((minutes, nth) => job(nth, minutes, 900)));
    const best = improve(of, putInOrder(of, [...of.left.keys()]), chanceFrom(1), over(1500));
    expect(best.objective()).toEqual({ late: 0, tardiness: 0, moved: 0, flow: 10 + 30 + 60 + 100 + 150 });
  });

  it('is what it was where there is no time, or nothing to change about', () => {
    const of = bench([job(0, 20, 10), job(1, 10, 10), job(2, 10, 90, { kind: 'gut' })]);
    const begun = putInOrder(of, [0, 1, 2]);
    expect(improve(of, begun, chanceFrom(1), () => 1)).toBe(begun);
    const alone = bench([job(0, 20, 10), job(1, 10, 10, { operations: [] }), job(2, 10, 90, { kind: 'gut' })]);
    const lone = putInOrder(alone, [0]);
    expect(improve(alone, lone, () => { throw new Error('no chance is asked'); }, over(9))).toBe(lone); // prettier-ignore
  });
});
