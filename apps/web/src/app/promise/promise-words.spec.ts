import { expect, it } from 'vitest';
import { expectedEffort } from '@gold-peg/craft/day';
import { sayPromise } from './promise-words';

const monday = new Date(2026, 8, 7, 10).getTime();
const at = (hours: number) => new Date(monday + hours * 3_600_000).toISOString();
const nylon = expectedEffort('ukulele', ['fluorocarbon', 'fluorocarbon', 'fluorocarbon', 'fluorocarbon']); // 30 minutes and a day
const steel = expectedEffort('acoustic', ['plain', 'wound']);

it('says that fluorocarbon for noon tomorrow cannot hold, and from when it could', () => {
  // begun at ten, strung at half past, it holds from half past ten the next day: noon tomorrow is in time, nine is not
  expect(sayPromise(at(26), monday, nylon)).toBeNull();
  const told = sayPromise(at(23), monday, nylon);
  expect(told).toMatch(/^Promised for Tue 09:00, but these strings go on moving for 24 h: .*from about Tue 10:30/);
});

it('says nothing of steel, nor where nothing is promised, nor of what is no time', () => {
  expect(sayPromise(at(0.1), monday, steel)).toBeNull();
  expect(sayPromise(null, monday, nylon)).toBeNull();
  expect(sayPromise('', monday, nylon)).toBeNull();
});
