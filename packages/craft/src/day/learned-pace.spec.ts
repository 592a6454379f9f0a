import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { learnedMinutes, learnedPace, stageMinutes, type TimedStage } from './index.js';

/** A job of this person that took so many times what is expected. */
const job = (times: number, more: Partial<TimedStage> = {}): TimedStage => {
  const { family = 'acoustic', stringCount = 6, stage = 'wind' } = more;
  return { personId: 'me', family, stringCount, stage, minutes: times * stageMinutes(family, stringCount, stage), ...more };
};
const many = (count: number, times: number, more: Partial<TimedStage> = {}) => Array.from({ length: count }, () => job(times, more));
const factor = (jobs: readonly TimedStage[]) => learnedPace(jobs, 'me', 'acoustic', 'wind').factor;

describe('the pace of a person', () => {
  it('is what is expected before anything was learned: 7.2 minutes to wind six strings of a flat-top, 10 to set up', () => {
    expect(learnedPace([], 'me', 'acoustic', 'wind')).toMatchObject({ factor: 1, jobs: 0 });
    expect(stageMinutes('acoustic', 6, 'wind')).toBeCloseTo(7.2, 9);
    expect(stageMinutes('acoustic', 6, 'ready') + stageMinutes('acoustic', 6, 'strip')).toBeCloseTo(10 + 0.22 * 30, 9);
    expect(learnedMinutes([], 'me', 'acoustic', 6).attendedMinutes).toBeCloseTo(40, 9);
  });

  it('comes to what is measured with many jobs, and stays near the expectation with one', () => {
    expect(factor(many(200, 1.4))).toBeCloseTo(1.4, 1);
    const one = factor(many(1, 1.4));
    expect(one).toBeGreaterThan(1);
    expect(one).toBeLessThan(1.25);
  });

  it('believes one slow job of ten less than the others', () => {
    const usual = factor(many(10, 1.2));
    const withOdd = factor([...many(9, 1.2), job(4)]);
    const mean = Math.exp((9 * Math.log(1.2) + Math.log(4)) / 12); // what a plain mean with the prior would say
    expect(withOdd).toBeLessThan(mean);
    expect(withOdd).toBeGreaterThan(usual);
  });

  it('takes others at this kind, and oneself at other kinds, for a hint; others at other kinds for nothing', () => {
    const own = factor(many(5, 1.5));
    for (const hint of [many(5, 1.5, { personId: 'you' }), many(5, 1.5, { family: 'bass', stringCount: 4 })]) {
      expect(factor(hint)).toBeGreaterThan(1);
      expect(factor(hint)).toBeLessThan(own);
    }
    expect(factor(many(5, 1.5, { personId: 'you', family: 'bass', stringCount: 4 }))).toBe(1);
  });

  it('does not learn from steps that were ticked in one go afterwards, or from a clock that ran overnight', () => {
    expect(factor(many(9, 0.01))).toBe(1);
    expect(factor(many(9, 50))).toBe(1);
    expect(factor(many(9, 0))).toBe(1);
  });

  it('lies in its own band, which narrows with jobs that are alike, and stays wide for who works now quick, now slow', () => {
    const width = (count: number) => {
      const { low, high, factor: middle } = learnedPace(many(count, 1.1), 'me', 'acoustic', 'wind');
      expect(low).toBeLessThan(middle);
      expect(high).toBeGreaterThan(middle);
      return Math.log(high / low);
    };
    // before anything: 2 · 1.2816 · 0.5 · √(1 + 1/2)
    expect(width(0)).toBeCloseTo(1.5696, 3);
    expect(width(1)).toBeLessThan(width(0));
    expect(width(20)).toBeLessThan(width(5));
    const { low, high } = learnedPace([...many(50, 0.75), ...many(50, 1.6)], 'me', 'acoustic', 'wind');
    expect(Math.log(high / low)).toBeGreaterThan(2 * width(100));
    expect(low).toBeLessThan(0.8);
    expect(high).toBeGreaterThan(1.5);
  });

  it('goes up when a job took longer', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.6, max: 1.6, noNaN: true }), { minLength: 1, maxLength: 8 }), (ratios) => {
        const slower = ratios.map((ratio) => ratio * 1.05);
        expect(factor(slower.map((ratio) => job(ratio)))).toBeGreaterThan(factor(ratios.map((ratio) => job(ratio))));
      }),
    );
  });

  it('counts the jobs that it rests on', () => {
    expect(learnedPace([...many(3, 1.1), ...many(2, 1.1, { personId: 'you' })], 'me', 'acoustic', 'wind').jobs).toBe(3);
  });
});
