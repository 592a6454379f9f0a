import { describe, expect, it } from 'vitest';
import { metres, newtons } from '../units/index.js';
import type { Option } from './candidates.js';
import { NOTHING_YET, scoreOf } from './score.js';
import type { Wish } from './wish.js';

/** An option that bends so; what it is made of counts for nothing here. */
const option = (force: number, travel: number, pull = 70) =>
  ({ load: { pull }, bend: { force: newtons(force), travel: metres(travel) } }) as unknown as Option;
const bend = (force: number, travel: number) => ({ force: newtons(force), travel: metres(travel) });
const costs = (wish: Wish,...options: Option[]) => scoreOf(wish, [1], [options]).seats.flat().map(({ option: index, own }) => [index, own]); // prettier-ignore

describe('what a string misses of the feel that is wished', () => {
  const wish = { kind: 'feel', bends: [bend(6, 0.01)] } as unknown as Wish;

  it('is nothing for the same bend, and grows with force and with travel alike: neither makes up for the other', () => {
    const [stiffer, longer] = [6 * Math.exp(0.1), 0.01 * Math.exp(-0.1)];
    const [best, ...rest] = costs(wish, option(stiffer, 0.01), option(6, 0.01), option(stiffer, longer));
    expect(best).toEqual([1, 0]);
    expect(rest[0]).toEqual([0, expect.closeTo(0.01, 12)]);
    expect(rest[1]).toEqual([2, expect.closeTo(0.02, 12)]);
  });

  it('is too much for a string that cannot be bent so far: it is no choice', () => {
    expect(costs(wish, { load: { pull: 70 }, bend: null } as unknown as Option)).toEqual([]);
  });

  it('is nothing where a seat has no wish', () => {
    expect(costs({ kind: 'feel', bends: [null] } as unknown as Wish, option(3, 0.02))).toEqual([[0, 0]]);
  });
});

describe('pulls that are to be alike', () => {
  it('cost their weighted spread about their mean, by hand for 60 and 90 N', () => {
    const score = scoreOf({ kind: 'equal-pull', pull: null }, [1, 1], [[option(1, 1, 60)], [option(1, 1, 90)]]);
    const both = score.seats.reduce((sums, [scored], seat) => (scored === undefined ? sums : score.add(sums, seat, scored)), NOTHING_YET);
    expect(score.bound(both, 2)).toBeCloseTo(Math.log(1.5) ** 2 / 2, 12); // two values lie half their distance from the mean
  });
});
