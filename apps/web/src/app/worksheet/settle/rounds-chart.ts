import { line, scaleLinear, scalePoint } from 'd3';
import type { Band } from '@gold-peg/craft/settle';

type Point = [number, number];

export interface RoundsChart {
  /** Pitch along the rounds: down with each stretch, and up to its note again. */
  trace: string;
  /** Where each round ended. */
  ends: { x: number; y: number; label: string; over: boolean }[];
  /** The round that comes: where it should end, and between what. */
  next: { x: number; y: number; low: number; high: number } | null;
  /** How earlier sets went down at this string, the latest first. */
  earlier: string[];
  /** Down to here is good enough. */
  tolerance: number;
  note: number;
}

export const CHART = { width: 260, height: 112 } as const;
const SHOWN = 6;
const EARLIER = 3;
const NOTE = 8;
const LEFT = 14;
const RIGHT = CHART.width - 46;
/** Room for what stands under the lowest point. */
const BOTTOM = CHART.height - 20;

/** What rounds cost, as the pitch went; the latest six of them. `earlier`: rounds of earlier sets, the latest set first. */
export function roundsChart(
  drops: readonly number[],
  { next, tolerance, earlier }: { next: Band | null; tolerance: number; earlier: readonly (readonly number[])[] },
): RoundsChart {
  const from = Math.max(0, drops.length - SHOWN);
  const shown = drops.slice(from);
  const past = earlier.slice(0, EARLIER).map((each) => each.slice(from, from + SHOWN));
  const most = Math.max(4 * tolerance, ...shown, next?.high ?? 0, ...past.flat());
  const y = scaleLinear([0, most], [NOTE, BOTTOM]).clamp(true);
  const x = scalePoint(
    Array.from({ length: SHOWN + 1 }, (_, index) => index),
    [LEFT + 16, RIGHT],
  );
  const at = (index: number) => x(index) ?? 0;
  const drawn = line();
  const trace = shown.flatMap((drop, index): Point[] => [
    [at(index) - x.step() / 2, NOTE],
    [at(index), y(drop)],
  ]);
  const last: Point[] = shown.length === 0 ? [] : [[at(shown.length - 1) + x.step() / 2, NOTE]];
  return {
    trace: drawn([...trace, ...last]) ?? '',
    ends: shown.map((drop, index) => ({
      x: at(index),
      y: y(drop),
      label: drop.toFixed(Number.isInteger(drop) ? 0 : 1).replace('-', '−'),
      over: drop > tolerance,
    })),
    next: next === null ? null : { x: at(shown.length), y: y(next.likely), low: y(Math.max(0, next.low)), high: y(next.high) },
    earlier: past.filter((each) => each.length > 0).map((each) => drawn(each.map((drop, index): Point => [at(index), y(drop)])) ?? ''),
    tolerance: y(tolerance),
    note: NOTE,
  };
}
