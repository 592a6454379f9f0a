import { expect, it } from 'vitest';
import { CHART, roundsChart } from './rounds-chart';

const points = (path: string) => [...path.matchAll(/([\d.]+),([\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const);

it('draws the pitch down from its note by what each round cost, and up again', () => {
  const { trace, ends, next, note, tolerance } = roundsChart([40, 20, 10], { next: { low: 3, likely: 5, high: 8 }, tolerance: 2, earlier: [] }); // prettier-ignore
  const depths = ends.map(({ y }) => y - note);
  expect((depths[0] ?? 0) / (depths[1] ?? 1)).toBeCloseTo(2, 9);
  expect((depths[1] ?? 0) / (depths[2] ?? 1)).toBeCloseTo(2, 9);
  const drawn = points(trace);
  expect(drawn).toHaveLength(7); // down three times, and up after each
  for (const [index, [, y]] of drawn.entries()) {
    if (index % 2 === 0) expect(y).toBeCloseTo(note, 3);
    else expect(y).toBeCloseTo(ends[(index - 1) / 2]?.y ?? 0, 2);
  }
  expect((next?.y ?? 0) - note).toBeCloseTo((depths[0] ?? 0) / 8, 9);
  expect(tolerance - note).toBeCloseTo((depths[0] ?? 0) / 20, 9);
  expect(next?.x).toBeGreaterThan(ends.at(-1)?.x ?? 0);
  expect((next?.low ?? 0) < (next?.high ?? 0)).toBe(true);
});

it('keeps to its frame however many rounds there were, and at its note of what was sharp', () => {
  const { ends, note } = roundsChart([60, 31, 15, 8, 4, 2, 1, -3], { next: null, tolerance: 2, earlier: [] });
  expect(ends.map(({ label }) => label)).toEqual(['15', '8', '4', '2', '1', '−3']);
  expect(ends.at(-1)).toMatchObject({ y: note, over: false });
  for (const { x, y } of ends) expect(x > 0 && x < CHART.width && y < CHART.height).toBe(true);
});

it('lays earlier sets round by round beside it, three of them at most', () => {
  const earlier = [[60, 20], [30, 10, 5], [], [8], [9]];
  const { ends, earlier: drawn } = roundsChart([60, 31], { next: null, tolerance: 2, earlier });
  expect(drawn).toHaveLength(2);
  expect(points(drawn[0] ?? '')[0]).toEqual([expect.closeTo(ends[0]?.x ?? 0, 2), expect.closeTo(ends[0]?.y ?? 0, 2)]);
  const late = roundsChart([60, 31, 15, 8, 4, 2, 1], { next: null, tolerance: 2, earlier: [[50, 25]] });
  expect(points(late.earlier[0] ?? '')[0]?.[0]).toBeCloseTo(late.ends[0]?.x ?? 0, 2); // its second round over the second
});
