import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { STRING_ORDERS } from '../methods/index.js';
import { newtons } from '../units/index.js';
import { evenest, mostApart, sideLoads } from './even-load.js';
import { stringOrder } from './string-order.js';

const pulls = [70, 70, 80, 80, 90, 80].map(newtons);
const passes = (order: readonly number[]) => [true, false].flatMap((firstPass) => order.map((string) => ({ string, firstPass })));

describe('load of the two halves', () => {
  // a tone under is 2^(−1/6) of the pitch, 2^(−1/3) = 0.7937 of the pull
  it('rises step by step: a tone under first, by the square of the pitch, then to the note', () => {
    const loads = sideLoads(passes([5, 0, 4, 1, 3, 2]), pulls);
    expect(loads[0]).toMatchObject({ string: 5, treble: 0 });
    expect(loads[0]?.bass).toBeCloseTo(80 * 0.7937, 2);
    expect(loads[1]?.treble).toBeCloseTo(70 * 0.7937, 2);
    expect(loads[5]?.bass).toBeCloseTo(250 * 0.7937, 1);
    expect(loads.at(-1)).toMatchObject({ treble: 220, bass: 250 });
  });

  it('lies in the middle where a string does', () => {
    expect(sideLoads([{ string: 1, firstPass: false }], [60, 50, 40].map(newtons))).toMatchObject([{ treble: 25, bass: 25 }]);
  });

  it('is evenest from side to side, and most uneven from one side to the other', () => {
    // by hand: low first all bass strings pull before a treble one does, 250 × 0.7937
    expect(mostApart(sideLoads(passes([5, 4, 3, 2, 1, 0]), pulls))).toBeCloseTo(198.4, 1);
    const { order, apart } = evenest(pulls);
    expect(['outside-in', 'inside-out', 'alternating']).toContain(order);
    expect(apart).toBeLessThan(100);
  });

  it('says of the evenest order what that comes to in both passes; of several as even it is the first', () => {
    const { order, apart } = evenest(pulls);
    expect(mostApart(sideLoads(passes(stringOrder(order, 6)), pulls))).toBe(apart);
    const alike = [80, 80, 80, 80].map(newtons);
    const all = STRING_ORDERS.map((each) => mostApart(sideLoads(passes(stringOrder(each, 4)), alike)));
    expect(evenest(alike)).toEqual({ order: STRING_ORDERS[all.indexOf(newtons(Math.min(...all)))], apart: Math.min(...all) });
  });

  it('ends the same in any order, and no order is evener than the evenest', () => {
    const some = fc.array(fc.integer({ min: 20, max: 150 }), { minLength: 4, maxLength: 8 });
    fc.assert(
      fc.property(some, (given) => {
        const strings = given.map(newtons);
        const lowFirst = sideLoads(passes(strings.map((_, index) => strings.length - 1 - index)), strings);
        const all = given.reduce((sum, each) => sum + each, 0);
        expect((lowFirst.at(-1)?.treble ?? 0) + (lowFirst.at(-1)?.bass ?? 0)).toBeCloseTo(all, 6);
        expect(evenest(strings).apart).toBeLessThanOrEqual(mostApart(lowFirst));
      }),
    );
  });
});
