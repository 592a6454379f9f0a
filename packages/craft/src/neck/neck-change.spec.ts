import { describe, expect, it } from 'vitest';
import { fromMillimetres, newtons, toMillimetres } from '../units/index.js';
import { actionChange, reliefChange, type NeckReading } from './index.js';

/** A neck that gives `perTen` mm for 10 N, measured after each of these changes of pull. */
const giving = (perTen: number, pulls: readonly number[]): NeckReading[] =>
  pulls.map((pull) => ({ pullChange: newtons(pull), reliefChange: fromMillimetres((perTen * pull) / 10) }));
const likely = (measured: readonly NeckReading[]) => toMillimetres(reliefChange(newtons(10), measured).likely);

describe('relief of a neck that nobody measured', () => {
  it('is an estimate with its band in order, also where the pull falls', () => {
    const more = reliefChange(newtons(50));
    expect(more.likely * 1000).toBeCloseTo(0.06, 9); // 0.012 mm for each 10 N
    expect([more.low, more.high].map((length) => length * 1000)).toEqual([expect.closeTo(0.025, 9), expect.closeTo(0.15, 9)]);
    for (const { low, likely: middle, high } of [more, reliefChange(newtons(-50))]) {
      expect(low).toBeLessThan(middle);
      expect(middle).toBeLessThan(high);
    }
    expect(reliefChange(newtons(-50)).likely).toBeCloseTo(-more.likely, 12);
  });

  it('lifts the strings at fret 12 by 1.2 to 2.5 times as much, up and down alike', () => {
    const action = actionChange(reliefChange(newtons(100)));
    expect(toMillimetres(action.low)).toBeCloseTo(0.05 * 1.2, 9);
    expect(toMillimetres(action.high)).toBeCloseTo(0.3 * 2.5, 9);
    expect(toMillimetres(action.likely)).toBeCloseTo(0.12 * 1.8, 9);
    const less = actionChange(reliefChange(newtons(-100)));
    expect(less.low).toBeCloseTo(-action.high, 12);
    expect(less.high).toBeCloseTo(-action.low, 12);
  });
});

describe('relief of a neck that was measured', () => {
  it('comes near what was measured the more often it was, and grows surer', () => {
    const [one, six] = [giving(0.024, [60]), giving(0.024, [60, -80, 90, -60, 120, -100])];
    expect(likely(one)).toBeGreaterThan(0.012);
    expect(likely(one)).toBeLessThan(0.024);
    expect(Math.abs(likely(six) - 0.024)).toBeLessThan(0.001);
    const width = (measured: readonly NeckReading[]) => {
      const { low, high } = reliefChange(newtons(10), measured);
      return high - low;
    };
    expect(width(one)).toBeLessThan(width([]));
    expect(width(six)).toBeLessThan(width(one) / 2);
  });

  it('is not led astray by one relief that was taken after the rod was turned', () => {
    const honest = giving(0.02, [60, -80, 90, -60, 120]);
    const turned = { pullChange: newtons(50), reliefChange: fromMillimetres(-0.4) };
    expect(Math.abs(likely([...honest, turned]) - likely(honest))).toBeLessThan(0.002);
  });
});

describe('one reading against what is known of necks', () => {
  const bandAfter = (reading: NeckReading) => {
    const { low, likely: middle, high } = reliefChange(newtons(10), [reading]);
    return { low: toMillimetres(low), likely: toMillimetres(middle), high: toMillimetres(high) };
  };

  it('leaves the band of typical necks where it says nothing', () => {
    const band = bandAfter({ pullChange: newtons(0.001), reliefChange: fromMillimetres(0) });
    // to two in a hundred: the grid on which it is reckoned is finer
    for (const [end, typical] of [
      [band.low, 0.005],
      [band.likely, 0.012],
      [band.high, 0.03],
    ] as const)
      expect(Math.abs(end / typical - 1)).toBeLessThan(0.02);
  });

  it('is as wide as feeler gauges are unsure, where it says all: Student’s density of four degrees, eight tenths within 1.533 of 0.03 mm', () => {
    // over 300 N the 0.03 mm of two readings are 0.001 mm for each 10 N
    const { low, high } = bandAfter({ pullChange: newtons(300), reliefChange: fromMillimetres(0.012 * 30) });
    expect((high - low) / (2 * 1.533 * 0.001)).toBeCloseTo(1, 1);
  });
});
