import { scaleBand, scaleLinear } from 'd3';
import type { Band } from '@gold-peg/craft/settle';

export interface RoundsChart {
  bars: { x: number; y: number; width: number; height: number; label: string; over: boolean }[];
  /** The round that comes: where it should end, and between what. */
  next: { x: number; width: number; y: number; low: number; high: number } | null;
  /** Down to here is good enough. */
  tolerance: number;
  base: number;
}

export const CHART = { width: 260, height: 124 } as const;
const SHOWN = 6;
const TOP = 20;
const BASE = CHART.height - 4;

/** What rounds cost, as bars; the latest six of them. */
export function roundsChart(drops: readonly number[], next: Band | null, tolerance: number): RoundsChart {
  const shown = drops.slice(-SHOWN);
  const most = Math.max(4 * tolerance, ...shown, next?.high ?? 0);
  const y = scaleLinear([0, most], [BASE, TOP]).clamp(true);
  const x = scaleBand(
    Array.from({ length: SHOWN + 1 }, (_, index) => index),
    [0, CHART.width - 34],
  ).padding(0.25);
  const width = x.bandwidth();
  const left = (index: number) => x(index) ?? 0;
  return {
    bars: shown.map((drop, index) => ({
      x: left(index),
      y: y(Math.max(0, drop)),
      width,
      height: BASE - y(Math.max(0, drop)),
      label: drop.toFixed(Number.isInteger(drop) ? 0 : 1).replace('-', '−'),
      over: drop > tolerance,
    })),
    next: next === null ? null : { x: left(shown.length), width, y: y(next.likely), low: y(Math.max(0, next.low)), high: y(next.high) },
    tolerance: y(tolerance),
    base: BASE,
  };
}
