import { expect, it } from 'vitest';
import { afterHanging, creepLeft } from './index.js';

it('leaves all of the day’s creep to a string that hardly hung, a seventh after half a day, and nothing after the day', () => {
  expect(creepLeft(1e-6)).toBeCloseTo(1, 5);
  // ln(1 + 12/0.12) / ln(1 + 24/0.12) = ln 101 / ln 201 = 4.6151 / 5.3033
  expect(creepLeft(12)).toBeCloseTo(1 - 4.6151 / 5.3033, 4);
  expect(creepLeft(24)).toBe(0);
  expect(creepLeft(60)).toBe(0);
});

it('leaves less the longer it hung, and most of it goes early', () => {
  const hours = [0.25, 0.5, 1, 2, 4, 8, 16, 23];
  const left = hours.map(creepLeft);
  expect([...left].sort((a, b) => b - a)).toEqual(left);
  expect(creepLeft(1)).toBeLessThan(0.6);
});

it('shrinks what a string creeps by and its range alike, and nothing else', () => {
  const string = { creep: 0.03, range: { creep: [0.01, 0.06] as const, stiffness: [1, 2] as const }, stiffness: 1500 };
  const hung = afterHanging(string, 12);
  const left = creepLeft(12);
  expect(hung.creep).toBeCloseTo(0.03 * left, 12);
  expect(hung.range.creep[1] / hung.range.creep[0]).toBeCloseTo(6, 9);
  expect(hung).toMatchObject({ stiffness: 1500, range: { stiffness: [1, 2] } });
});

it('refuses hours that are none', () => {
  expect(() => creepLeft(0)).toThrow(/hours/);
  expect(() => creepLeft(-2)).toThrow(/hours/);
});
