import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { piece, somebody, someJob, someRack } from '../testing/index.js';
import { arrivalOf, dealParts, holdUntil, planDay, promises, suppliedIn } from './index.js';

const ordered = { p50: 2000, p90: 4000 };

describe('parts that are not there', () => {
  it('lie there for whoever comes first, come with what is on the way for the next, and are to be ordered for the rest', () => {
    const needs = ['a', 'b', 'c', 'd'].map((job) => ({ job, item: 'set nines' }));
    const coming = [{ item: 'set nines', amount: 1, p50: 700, p90: 900 }];
    const { holds, order } = dealParts({ needs, onHand: new Map([['set nines', 1]]), coming, ordered });
    expect([...holds]).toEqual([
      ['b', { p50: 700, p90: 900, items: ['set nines'] }],
      ['c', { ...ordered, items: ['set nines'] }],
      ['d', { ...ordered, items: ['set nines'] }],
    ]);
    expect([...order]).toEqual([['set nines', 2]]);
  });

  it('come with the parcel that comes first, whichever was ordered first', () => {
    const parcel = (p50: number, amount = 1) => ({ item: 'set', amount, p50, p90: p50 + 50 });
    const { holds } = dealParts({
      needs: ['a', 'b', 'c'].map((job) => ({ job, item: 'set' })),
      onHand: new Map(),
      coming: [parcel(900), parcel(300), { ...parcel(100), item: 'another' }],
      ordered,
    });
    expect([...holds.values()].map(({ p50 }) => p50)).toEqual([300, 900, 2000]);
  });

  it('hold a job until the last of them is there', () => {
    const needs = [{ job: 'a', item: 'set' }, { job: 'a', item: 'single' }]; // prettier-ignore
    const coming = [{ item: 'single', amount: 3, p50: 100, p90: 5000 }];
    const { holds } = dealParts({ needs, onHand: new Map(), coming, ordered });
    expect(holds.get('a')).toEqual({ p50: 2000, p90: 5000, items: ['set', 'single'] });
  });

  it('are dealt whole: what lies there, what comes and what is ordered add up to what is needed', () => {
    const item = fc.constantFrom('x', 'y', 'z');
    const need = fc.record({ job: fc.constantFrom('a', 'b', 'c', 'd'), item });
    const parcel = fc.record({ item, amount: fc.integer({ min: 1, max: 3 }), p50: fc.integer({ min: 1, max: 99 }), p90: fc.constant(99) });
    fc.assert(
      fc.property(fc.array(need, { maxLength: 12 }), fc.array(parcel, { maxLength: 4 }), fc.nat(3), (needs, coming, there) => {
        const onHand = new Map([['x', there]]);
        const { holds, order } = dealParts({ needs, onHand, coming, ordered });
        for (const each of ['x', 'y', 'z']) {
          const wanted = needs.filter(({ item: of }) => of === each).length;
          const has = (onHand.get(each) ?? 0) + coming.filter(({ item: of }) => of === each).reduce((sum, { amount }) => sum + amount, 0);
          expect(order.get(each) ?? 0).toBe(Math.max(0, wanted - has));
        }
        const waiting = [...holds.values()].flatMap(({ items }) => items).length;
        expect(waiting).toBe(needs.length - Math.min(there, needs.filter(({ item: of }) => of === 'x').length));
      }),
    );
  });
});

describe('how long a supplier takes', () => {
  it('is two days, nine in ten within four, before anything came', () => {
    const { median, sigma } = suppliedIn([]);
    expect(median).toBeCloseTo(2880, 6);
    expect(median * Math.exp(1.2816 * sigma)).toBeCloseTo(5760, 6);
  });

  it('is what it took, once enough has come', () => {
    // a hundred orders of a day each against three of two days: the logarithm of the median lies 3/103 of ln 2 over a day
    const { median, sigma } = suppliedIn(Array.from({ length: 100 }, () => 1440));
    expect(median).toBeCloseTo(1440 * 2 ** (3 / 103), 6);
    expect(sigma).toBeLessThan(0.2);
  });

  it('is surer of itself the more alike its orders came, and learns nothing of one that took no time', () => {
    const usual = Math.log(2880);
    const by = (...minutes: number[]) => {
      const logs = minutes.map(Math.log);
      const mean = (3 * usual + logs.reduce((sum, log) => sum + log, 0)) / (3 + logs.length);
      const spread = 3 * ((Math.LN2 / 1.2816) ** 2 + (usual - mean) ** 2) + logs.reduce((sum, log) => sum + (log - mean) ** 2, 0);
      return {
        median: expect.closeTo(Math.exp(mean), 6) as number,
        sigma: expect.closeTo(Math.sqrt(spread / (3 + logs.length)), 9) as number,
      };
    };
    expect(suppliedIn([1440, 5760])).toEqual(by(1440, 5760));
    expect(suppliedIn([0, 1440, 1440, -5])).toEqual(by(1440, 1440));
    expect(suppliedIn([1440, 5760]).sigma).toBeGreaterThan(suppliedIn([2880, 2880]).sigma);
  });

  it('counts from when it was ordered, by what the supplier promised, and is never over before now', () => {
    const takes = { median: 2880, sigma: 0.5 };
    expect(arrivalOf(takes, { placed: 1000, promised: null, now: 1000 })).toEqual({ p50: 3880, p90: Math.ceil(1000 + 2880 * Math.exp(0.6408)) }); // prettier-ignore
    expect(arrivalOf(takes, { placed: 1000, promised: 2000, now: 1500 })).toEqual({ p50: 2000, p90: Math.ceil(1000 + 1000 * Math.exp(0.6408)) }); // prettier-ignore
    expect(arrivalOf(takes, { placed: 1000, promised: 1100, now: 9000 })).toEqual({ p50: 9000, p90: 9000 });
  });

  it('is planned with as much as the house wants to be sure of', () => {
    const arrives = { p50: 1100, p90: 1200 };
    expect([holdUntil(arrives, 50, 1000), holdUntil(arrives, 90, 1000)]).toEqual([1100, 1200]);
    expect(holdUntil(arrives, 70, 1000)).toBe(1000 + Math.round(100 * 2 ** (0.5244 / 1.2816)));
    expect(holdUntil({ p50: 1000, p90: 1000 }, 70, 1000)).toBe(1001); // a minute at least: it is not there yet
  });
});

it('a promise knows that a part may come later than planned', () => {
  const job = (arrives: { p50: number; p90: number } | null) => ({
    ...someJob('a', 1111, [{ ...piece('restring', 10), minutesP50: 10, minutesP90: 10 }]),
    hold: 1100,
    arrives,
  });
  const chance = (arrives: { p50: number; p90: number } | null) => {
    const rack = someRack([job(arrives)], { now: 1000, people: [somebody('a', [[0, 3000]])] });
    const plan = planDay(rack, { seed: 1, iterations: 50, goesOn: () => true });
    return promises(rack, plan, { draws: 4000, seed: 3 })[0]?.onTime ?? 0;
  };
  expect(chance(null)).toBe(1);
  expect(Math.abs(chance({ p50: 1100, p90: 1200 }) - 0.5)).toBeLessThan(0.03);
});
