import { line, scaleLinear, scaleTime } from 'd3';

export interface PullChart {
  path: string;
  points: { x: number; y: number; label: string }[];
  years: { x: number; label: string }[];
}

/** A young history is drawn on half a year, so that its ticks name different months. */
const LEAST_SPAN_MS = 180 * 86_400_000;
const WIDTH = 460;
const HEIGHT = 120;

/** Total pull over time, as a step: each set pulls until the next is fitted. */
export function pullChart(setups: readonly { at: number; pull: number; label: string }[], now: number): PullChart | null {
  const first = setups[0];
  const last = setups.at(-1);
  if (first === undefined || last === undefined) return null;
  const x = scaleTime([Math.min(first.at, now - LEAST_SPAN_MS), now], [8, WIDTH - 70]);
  const pulls = setups.map(({ pull }) => pull);
  const y = scaleLinear([Math.min(...pulls) * 0.96, Math.max(...pulls) * 1.04], [HEIGHT - 26, 22]);
  const corners = setups.flatMap((setup, index) => [
    [x(setup.at), y(setup.pull)] as [number, number],
    [x(setups[index + 1]?.at ?? now), y(setup.pull)] as [number, number],
  ]);
  return {
    path: line()(corners) ?? '',
    points: setups.map((setup) => ({ x: x(setup.at), y: y(setup.pull), label: setup.label })),
    years: x
      .ticks(4)
      .map((tick) => ({ x: x(tick), label: new Intl.DateTimeFormat('en-GB', { month: 'short', year: '2-digit' }).format(tick) })),
  };
}
