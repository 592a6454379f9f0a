import { expect, it } from 'vitest';
import { CHART, roundsChart } from './rounds-chart';

it('draws the latest rounds in their ratio, on one base, and what the next should cost beside them', () => {
  const { bars, next, base, tolerance } = roundsChart([40, 20, 10], { low: 3, likely: 5, high: 8 }, 2);
  const heights = bars.map(({ height }) => height);
  expect((heights[0] ?? 0) / (heights[1] ?? 1)).toBeCloseTo(2, 9);
  expect((heights[1] ?? 0) / (heights[2] ?? 1)).toBeCloseTo(2, 9);
  for (const { y, height } of bars) expect(y + height).toBeCloseTo(base, 9);
  expect(base - (next?.y ?? 0)).toBeCloseTo((heights[0] ?? 0) / 8, 9);
  expect(base - tolerance).toBeCloseTo((heights[0] ?? 0) / 20, 9);
  expect(next?.x).toBeGreaterThan(bars.at(-1)?.x ?? 0);
  expect((next?.low ?? 0) > (next?.high ?? 0)).toBe(true);
});

it('keeps to its frame however many rounds there were, and below the base of what was sharp', () => {
  const { bars } = roundsChart([60, 31, 15, 8, 4, 2, 1, -3], null, 2);
  expect(bars.map(({ label }) => label)).toEqual(['15', '8', '4', '2', '1', '−3']);
  expect(bars.at(-1)).toMatchObject({ height: 0, over: false });
  for (const { x, width } of bars) expect(x + width).toBeLessThanOrEqual(CHART.width);
});
