import { describe, expect, it } from 'vitest';
import { beta, meanOf, normal, rootMeanSquare, student4 } from './chance.js';
import { driftsOfConstant, falsePlucks, heardIn } from './hearing.js';
import { ROOMS } from './takes.js';
import { verdictRates } from './verdicts.js';
import { chanceFrom } from '@gold-peg/craft/simulated';

describe('what is logged of plucks that are made', { timeout: 60_000 }, () => {
  it.each(ROOMS)('in a room: %s, lies within a tenth of a cent on the mean, within a third by its scatter, and in its octave', (room) => {
    const [heard] = heardIn([room], 1);
    expect(heard).toMatchObject({ takes: 8, missed: 0, wrong: 0 });
    expect(Math.abs(heard?.bias ?? 9)).toBeLessThan(0.1);
    expect(heard?.rms).toBeLessThan(0.3);
  });

  it('does not move while a string of constant pitch fades for three seconds', () => {
    for (const { name, cents } of driftsOfConstant()) expect([name, Math.abs(cents) < 0.2]).toEqual([name, true]);
  });

  it('is nothing of silence, hum, noise, taps, a motor and a voice', () => {
    for (const { kind, logged } of falsePlucks(1)) expect([kind, logged]).toEqual([kind, 0]);
  });
});

describe('verdicts of six rounds', { timeout: 60_000 }, () => {
  it('call under 2 % of sound strings slipping, and miss under a quarter of those that slip', () => {
    const { falseSlip, missedSlip } = verdictRates(6, 400);
    expect(falseSlip).toBeLessThan(0.02);
    expect(missedSlip).toBeLessThan(0.25);
  });

  it('miss fewer the more rounds there were', () => expect(verdictRates(8, 100).missedSlip).toBeLessThan(verdictRates(3, 100).missedSlip));
});

// moments by the book: Student of 4 has variance 2, Beta(5/2, 4) mean 5/13
it('draws as the laws ask', () => {
  const chance = chanceFrom(3);
  const many = (draw: () => number) => Array.from({ length: 20_000 }, draw);
  expect(rootMeanSquare(many(() => normal(chance)))).toBeCloseTo(1, 1);
  expect(rootMeanSquare(many(() => student4(chance)))).toBeCloseTo(Math.SQRT2, 0);
  expect(meanOf(many(() => beta(2.5, 4, chance)))).toBeCloseTo(5 / 13, 2);
});
