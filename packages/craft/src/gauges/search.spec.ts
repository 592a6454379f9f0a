import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Score, Scored, Sums } from './score.js';
import { Best, searchBest, type Base, type Found } from './search.js';

/** Seats whose options cost what the lists say, one beside the other. */
function costing(lists: readonly (readonly number[])[]): Score {
  const seats = lists.map((costs) => costs.map((own, option): Scored => ({ option, own, level: own, pull: own })).sort((a, b) => a.own - b.own)); // prettier-ignore
  const least = lists.map((_, depth) => lists.slice(depth).reduce((sum, costs) => sum + Math.min(...costs), 0));
  const floor = (sums: Sums, depth: number) => sums.own + (least[depth] ?? 0);
  const add: Score['add'] = (sums, _seat, { own }) => ({ ...sums, own: sums.own + own });
  return { seats, order: [...lists.keys()], isFree: () => false, add, bound: floor, floor, centre: null };
}
function search(lists: readonly (readonly number[])[], answers: number, more: { base?: Base; left?: number } = {}): readonly Found[] {
  const best = new Best(answers);
  const { base = null, left = Number.POSITIVE_INFINITY } = more;
  searchBest(
    {
      score: costing(lists),
      base,
      singlesOf: (picks) => picks.length,
      goesWith: () => undefined,
      left: () => left,
      sameStock: (_, option) => String(option),
    },
    best,
  );
  return best.list;
}
const everyChoice = (lists: readonly (readonly number[])[]): number[][] =>
  lists.reduce<number[][]>((some, costs) => some.flatMap((picks) => costs.map((_, option) => [...picks, option])), [[]]);
const costOf = (lists: readonly (readonly number[])[], picks: readonly number[]) =>
  picks.reduce((sum, option, seat) => sum + (lists[seat]?.[option] ?? 0), 0);

const lists = fc.array(fc.array(fc.integer({ min: 0, max: 50 }), { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 4 });

describe('branch and bound', () => {
  it('lists the cheapest choices that trying everything lists, in order', () => {
    fc.assert(
      fc.property(lists, fc.integer({ min: 1, max: 6 }), (drawn, answers) => {
        const all = everyChoice(drawn).map((picks) => costOf(drawn, picks)).sort((a, b) => a - b); // prettier-ignore
        expect(search(drawn, answers).map(({ cost }) => cost)).toEqual(all.slice(0, answers));
      }),
    );
  });

  it('keeps to a set, and replaces no more of it than allowed', () => {
    fc.assert(
      fc.property(lists, fc.integer({ min: 0, max: 3 }), (drawn, mostSingles) => {
        const base: Base = { index: 0, picks: drawn.map(() => 0), mostSingles };
        const [first] = search(drawn, 1, { base });
        const allowed = everyChoice(drawn).filter((picks) => picks.filter((pick) => pick !== 0).length <= mostSingles);
        expect(first?.cost).toBe(Math.min(...allowed.map((picks) => costOf(drawn, picks))));
        expect(first?.picks.filter((pick) => pick !== 0).length).toBe(first?.singles);
      }),
    );
  });

  it('uses nothing more often than it is there', () => {
    fc.assert(
      fc.property(lists, fc.integer({ min: 1, max: 2 }), (drawn, left) => {
        const within = (picks: readonly number[]) => picks.every((pick) => picks.filter((other) => other === pick).length <= left);
        const allowed = everyChoice(drawn).filter(within);
        const [first] = search(drawn, 1, { left });
        expect(first?.cost).toBe(allowed.length === 0 ? undefined : Math.min(...allowed.map((picks) => costOf(drawn, picks))));
        if (first !== undefined) expect(within(first.picks)).toBe(true);
      }),
    );
  });
});

describe('the list of the best', () => {
  const found = (cost: number, singles: number, ...picks: number[]): Found => ({ cost, singles, picks, base: null });

  it('is in order of cost, and of singles among equals', () => {
    const best = new Best(3);
    for (const each of [found(2, 0, 1), found(1, 3, 2), found(1, 1, 3), found(5, 0, 4)]) best.offer(each);
    expect(best.list.map(({ picks }) => picks[0])).toEqual([3, 2, 1]);
    expect(best.worst).toBe(2);
  });

  it('has each choice once, by the way that needs fewer singles', () => {
    const best = new Best(3);
    best.offer(found(1, 2, 7));
    best.offer(found(1, 0, 7));
    best.offer(found(1, 1, 7));
    expect(best.list).toEqual([found(1, 0, 7)]);
    expect(best.worst).toBe(Number.POSITIVE_INFINITY);
  });
});
