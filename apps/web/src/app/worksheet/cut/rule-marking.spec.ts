import { describe, expect, it } from 'vitest';
import { fromMillimetres, toMillimetres } from '@gold-peg/craft/units';
import { markRule } from './rule-marking';

describe('a rule', () => {
  it('in millimetres: a tick each, taller at fives, tallest and numbered at tens', () => {
    const { ticks, longest } = markRule(fromMillimetres(65), 'mm');
    expect(longest).toBe(100);
    expect(ticks.length).toBe(101);
    expect(ticks[40]).toEqual({ at: 40, height: 22, label: '40' });
    expect(ticks[45]?.height).toBeLessThan(ticks[40]?.height ?? 0);
    expect(ticks[46]?.height).toBeLessThan(ticks[45]?.height ?? 0);
    expect(ticks[46]?.label).toBe('');
  });

  it('is marked every second millimetre where it is long', () => {
    const { ticks, longest } = markRule(fromMillimetres(149), 'mm');
    expect(longest).toBe(220);
    expect(ticks[1]?.at).toBe(2);
    expect(ticks.filter(({ label }) => label !== '').map(({ label }) => Number(label))).toEqual([
      0, 20, 40, 60, 80, 100, 120, 140, 160, 180, 200, 220,
    ]);
  });

  it('in inches: sixteenths, with halves, quarters and eighths between', () => {
    const { ticks, longest } = markRule(fromMillimetres(65), 'in');
    expect(longest).toBe(4); // 65 mm are 2.56 in, and the rule reaches 1.45 times as far
    expect(ticks.length).toBe(4 * 16 + 1);
    const heights = [16, 8, 4, 2, 1].map((index) => ticks[index]?.height ?? 0);
    expect(heights).toEqual([...heights].sort((a, b) => b - a));
    expect(new Set(heights).size).toBe(5);
    expect(ticks.filter(({ label }) => label !== '').map(({ label }) => label)).toEqual(['0', '1', '2', '3', '4']);
  });

  it('is never too short to hold, even where stretch leaves nothing to cut off', () => {
    expect(markRule(fromMillimetres(-5), 'mm').longest).toBe(60);
    expect(markRule(fromMillimetres(-5), 'in').longest).toBe(3);
  });

  it('measures the same length in either unit', () => {
    for (const unit of ['mm', 'in'] as const) {
      const rule = markRule(fromMillimetres(80), unit);
      expect(toMillimetres(rule.toLength(rule.fromLength(fromMillimetres(50.8))))).toBeCloseTo(50.8, 9);
    }
    expect(markRule(fromMillimetres(80), 'in').fromLength(fromMillimetres(50.8))).toBeCloseTo(2, 9);
  });
});
