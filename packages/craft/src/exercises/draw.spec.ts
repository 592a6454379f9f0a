import { expect, it } from 'vitest';
import { chanceFrom } from '../simulated/index.js';
import { atLevel, eitherWay, happens, oneOf, pickFrom, shuffled } from './draw.js';

/** Chance lies from 0 to just under 1. */
const [LEAST, MOST] = [() => 0, () => 1 - 2 ** -32];

it('draws each of so many, and none beyond', () => {
  expect([oneOf(5, LEAST), oneOf(5, () => 0.39), oneOf(5, () => 0.4), oneOf(5, MOST)]).toEqual([0, 1, 2, 4]);
  expect([pickFrom('abc'.split(''), LEAST), pickFrom('abc'.split(''), MOST)]).toEqual(['a', 'c']);
  expect(() => pickFrom([], LEAST)).toThrow(new RangeError('there is nothing to pick from'));
});

it('happens so large a share of the time', () => {
  expect([0.39, 0.4, 0.41].map((drawn) => happens(0.4, () => drawn))).toEqual([true, false, false]);
});

it('goes as far to one side as to the other', () => {
  expect([eitherWay(8, LEAST), eitherWay(8, () => 0.5), eitherWay(8, () => 0.75)]).toEqual([-8, 0, 4]);
});

it('mixes a list into each order as often, and leaves the list as it was', () => {
  const chance = chanceFrom(17);
  const list = ['a', 'b', 'c', 'd'];
  const seen = new Map<string, number>();
  for (let time = 0; time < 24_000; time++) {
    const order = shuffled(list, chance).join('');
    seen.set(order, (seen.get(order) ?? 0) + 1);
  }
  expect(list).toEqual(['a', 'b', 'c', 'd']);
  expect([...seen.keys()].map((order) => [...order].sort().join(''))).toEqual(Array.from({ length: 24 }, () => 'abcd')); // 4! orders
  const [few, many] = [Math.min(...seen.values()), Math.max(...seen.values())];
  expect(few).toBeGreaterThan(1000 - 5 * 31); // 1000 each, give or take five standard deviations of √(n p (1 − p))
  expect(many).toBeLessThan(1000 + 5 * 31);
});

it('gives a level its own, and what is harder the last', () => {
  expect([0, 1, 2, 3, 6].map((level) => atLevel([4, 3, 2], level))).toEqual([4, 3, 2, 2, 2]);
});
