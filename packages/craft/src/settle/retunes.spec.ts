import { expect, it } from 'vitest';
import { CREEP } from '../constants/index.js';
import { cents } from '../units/index.js';
import { expectedDrift, retunesOf } from './index.js';

const HOUR = 3_600_000;
const band = (likely: number) => ({ low: likely / 2, likely, high: likely * 2 });

it('follows the string that has to be tuned first, and holds with the last', () => {
  const moving = [
    { number: 1, since: 0, expected: { retunes: [band(3), band(8)], holdsFrom: band(40) } },
    { number: 2, since: HOUR, expected: { retunes: [band(1), band(Infinity)], holdsFrom: band(20) } },
  ];
  expect(retunesOf(moving)).toEqual({ strings: [1, 2], times: [2 * HOUR], holdsFrom: 40 * HOUR });
});

it('follows another string where the first is not tuned again', () => {
  const moving = [
    { number: 1, since: 0, expected: { retunes: [band(Infinity)], holdsFrom: band(3) } },
    { number: 2, since: 0, expected: { retunes: [band(5)], holdsFrom: band(2) } },
  ];
  expect(retunesOf(moving)?.times).toEqual([5 * HOUR]);
});

it('says nothing where nothing moves, and no hour where it does not hold within a year', () => {
  expect(retunesOf([])).toBeNull();
  const never = { number: 4, since: 0, expected: { retunes: [band(2)], holdsFrom: band(Infinity) } };
  expect(retunesOf([never])?.holdsFrom).toBeNull();
});

it('expects by its kind before anybody read it, and by its readings then', () => {
  const hold = { cents: cents(5), hours: 1 };
  const kind = expectedDrift([], hold);
  const [slow, quick] = [-2, -60].map((lost) => expectedDrift([{ hours: 0.5, cents: cents(lost), retuned: true }], hold));
  expect(kind.nextRetune.likely).toBeGreaterThan(0);
  expect(kind.holdsFrom.likely).toBe(24); // a day, by workshop practice
  expect(kind.holdsFrom.high).toBeGreaterThanOrEqual(24);
  expect(quick?.holdsFrom.likely).toBeGreaterThan(slow?.holdsFrom.likely ?? Infinity);
  expect(slow?.holdsFrom.likely).toBeLessThan(24);
});

it('gives a string that creeps less as much less of the day, and tunes it again later', () => {
  const hold = { cents: cents(5), hours: 2 };
  const [nylon, less, gut] = [CREEP.nylon, CREEP.fluorocarbon, CREEP.gut].map(({ value }) => expectedDrift([], hold, value));
  expect(nylon?.holdsFrom.likely).toBe(24);
  expect(less?.holdsFrom.likely).toBeCloseTo(16, 9); // two thirds of nylon's creep
  expect(gut?.holdsFrom.likely).toBeLessThan(less?.holdsFrom.likely ?? 0);
  expect(less?.nextRetune.likely).toBeGreaterThan(nylon?.nextRetune.likely ?? Infinity);
  expect(expectedDrift([], hold)).toEqual(nylon);
  // what was read says more than what it is made of
  const read = [{ hours: 0.5, cents: cents(-20), retuned: true }];
  expect(expectedDrift(read, hold, CREEP.gut.value)).toEqual(expectedDrift(read, hold));
});

it('expects strings that hung for a while, and were read by nobody, to hold as early and to want less tuning', () => {
  const hold = { cents: cents(5), hours: 2 };
  const [fresh, hung] = [expectedDrift([], hold), expectedDrift([{ hours: 20, cents: null, retuned: true }], hold)];
  expect(hung.holdsFrom.likely).toBe(fresh.holdsFrom.likely); // a day under pull, wherever that is
  expect(hung.nextRetune.likely - 20).toBeGreaterThan(10 * fresh.nextRetune.likely);
});
