import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MINUTES, PACE } from '../constants/index.js';
import { attendedTo, learnedMinutes, learnedPace, stageMinutes, type LeftOfStages, type TimedStage } from './index.js';

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

  it('lies where it explains itself: each job weighs by Student about it, and so does the band', () => {
    const spread = PACE.spread.value;
    const offs = [0.2, 0.3, -0.1, 0.9];
    const times = offs.map((off) => job(Math.exp(off)));
    const pace = learnedPace(times, 'me', 'acoustic', 'wind');
    const mean = Math.log(pace.factor);
    const weights = offs.map((off) => 5 / (4 + ((off - mean) / spread) ** 2));
    const total = PACE.priorJobs.value + weights.reduce((sum, weight) => sum + weight, 0);
    expect(mean).toBeCloseTo(offs.reduce((sum, off, nth) => sum + off * (weights[nth] ?? 0), 0) / total, 4);
    const scatter =
      offs.reduce((sum, off, nth) => sum + (weights[nth] ?? 0) * (off - mean) ** 2, PACE.priorJobs.value * spread ** 2) / total;
    const half = 1.2816 * Math.sqrt(scatter * (1 + 1 / total));
    expect([Math.log(pace.low), Math.log(pace.high)]).toEqual([expect.closeTo(mean - half, 4), expect.closeTo(mean + half, 4)]);
    // another stage of the same jobs says nothing of this one, nor does one that took no time or has no minutes
    const others = [{...job(3), stage: 'trim' as const }, {...job(1), minutes: 0 }]; // prettier-ignore
    expect(learnedPace([...times, ...others], 'me', 'acoustic', 'wind')).toEqual(pace);
    const talk = { ...job(1), stage: 'hand-over' as const };
    expect(learnedPace([talk], 'me', 'acoustic', 'hand-over')).toEqual(learnedPace([], 'me', 'acoustic', 'hand-over'));
  });

  it('makes a whole restring as long as its stages, and rests on the most jobs that one of them saw', () => {
    const slow = job(2);
    const told = learnedMinutes([slow, slow], 'me', 'acoustic', 6);
    // 40 minutes, of which 7.2 at Wind
    expect(told.attendedMinutes).toBeCloseTo(40 + 7.2 * (factor([slow, slow]) - 1), 6);
    expect(told.jobs).toBe(2);
  });
});

describe('minutes by the pace of whoever does it', () => {
  const of = (left: LeftOfStages, times: Parameters<typeof attendedTo>[0] = []) =>
    attendedTo(times, 'me', { family: 'acoustic', stringCount: 6, left });

  it('are half below what is expected of one stage, by its own band above it, and slower for who is slow', () => {
    const { high } = learnedPace([], 'me', 'acoustic', 'wind');
    expect(of({ wind: 1 })).toEqual({ median: expect.closeTo(7.2, 9) as number, sigma: expect.closeTo(Math.log(high) / 1.2816, 9) as number }); // prettier-ignore
    expect(of({ wind: 0.5 })?.median).toBeCloseTo(3.6, 9);
    expect(of({ balance: 1 })?.median).toBeCloseTo(MINUTES.balance.value, 9);
    const slow = [job(12 / 7.2)];
    const pace = learnedPace(slow, 'me', 'acoustic', 'wind');
    expect(of({ wind: 1 }, slow)?.median).toBeCloseTo(7.2 * pace.factor, 6);
    expect(of({ wind: 1 }, slow)?.sigma).toBeCloseTo(Math.log(pace.high / pace.factor) / 1.2816, 9);
    expect(of({ wind: 0 })).toBeNull();
  });
});
