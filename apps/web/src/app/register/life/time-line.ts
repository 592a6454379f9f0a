import { line, scaleLinear, scaleTime, type ScaleTime } from 'd3';
import { threadsOf, type Finding } from '@gold-peg/craft/findings';
import { livesOf, type Due } from '@gold-peg/craft/wear';
import type { PastSetup, Passport } from '@gold-peg/contract/register';
import { pullOf } from '@gold-peg/contract/pulls';
import { houseTime } from '../../server/house-zone';

const DAY_MS = 86_400_000;
/** A young history is drawn on half a year. */
const LEAST_SPAN_MS = 180 * DAY_MS;
/** Where time begins, px: names stand before it. */
export const LEFT = 196;
const RIGHT = 10;

export interface TimeAxis {
  x: ScaleTime<number, number>;
  now: number;
  end: number;
  ticks: { x: number; label: string; year: boolean }[];
}

/** From a little before the first setup to as long after now as its strings are likely to last, or half of what is behind. `width`: of the whole picture, px. */
export function timeAxis(setups: readonly Pick<PastSetup, 'fittedAt'>[], due: Due | null, now: number, width: number): TimeAxis {
  const first = Math.min(now - LEAST_SPAN_MS, ...setups.map(({ fittedAt }) => Date.parse(fittedAt)));
  const last = Math.max(0, ...[...(due?.wear.values() ?? [])].map((wear) => wear.due.high));
  const end = Math.max(now + 0.16 * (now - first), Math.min(last, now + 0.4 * (now - first)));
  const x = scaleTime([first - 0.03 * (now - first), end], [LEFT, width - RIGHT]);
  const MONTH = houseTime({ month: 'short' });
  const ticks = x.ticks(7).map((tick) => {
    const year = tick.getMonth() === 0 && tick.getDate() === 1;
    return { x: x(tick), label: year ? String(tick.getFullYear()) : MONTH.format(tick), year };
  });
  return { x, now, end, ticks };
}

/** One setup on the line, the room it has to be named in, px, and what each round of stretching cost on the whole, cents. */
export interface SetupMark {
  setup: PastSetup;
  x: number;
  room: number;
  rounds: readonly number[];
}

export function setupMarks({ x, now }: TimeAxis, setups: readonly PastSetup[]): SetupMark[] {
  const inOrder = [...setups].sort((a, b) => Date.parse(a.fittedAt) - Date.parse(b.fittedAt));
  return inOrder.map((setup, nth) => {
    const next = inOrder[nth + 1];
    const at = x(Date.parse(setup.fittedAt));
    return { setup, x: at, room: x(next === undefined ? now : Date.parse(next.fittedAt)) - at, rounds: roundsOf(setup) };
  });
}

/** What each round lost as a mean over the strings that were read, cents. */
function roundsOf({ strings }: PastSetup): number[] {
  const drops = strings.flatMap(({ dropsCents = [] }) => (dropsCents.length === 0 ? [] : [dropsCents]));
  const most = Math.max(0, ...drops.map(({ length }) => length));
  return Array.from({ length: most }, (_, round) => {
    const read = drops.flatMap((each) => each[round] ?? []);
    return read.reduce((sum, each) => sum + Math.abs(each), 0) / read.length;
  });
}

/** One string from fitting to fitting. */
export interface LifeMark {
  from: number;
  to: number;
  gaugeMm: number;
  construction: PastSetup['strings'][number]['construction'];
  /** Replaced by itself, before its set. */
  early: boolean;
  on: boolean;
}

export function lifeMarks({ x, now }: TimeAxis, setups: readonly PastSetup[], string: number): LifeMark[] {
  return livesOf(setups, string).flatMap(({ from, to, ended }) => {
    const left = setups.find(({ fittedAt, strings }) => {
      const own = strings.find((each) => each.string === string);
      return own !== undefined && Date.parse(own.fittedAt ?? fittedAt) === from;
    });
    const logged = left?.strings.find((each) => each.string === string);
    if (logged === undefined) return [];
    const { gaugeMm, construction } = logged;
    return [{ from: x(from), to: x(to ?? now), gaugeMm, construction, early: ended === 'early', on: to === null }];
  });
}

/** Something that was found, until it was not found any more; or to the end, while it is open. */
export interface FoundMark {
  finding: Finding;
  from: number;
  to: number;
  open: boolean;
}

export const foundMarks = ({ x, now }: TimeAxis, setups: readonly PastSetup[]): FoundMark[] =>
  threadsOf(setups).map(({ finding, since, until }) => ({
    finding,
    from: x(Date.parse(since)),
    to: x(until === null ? now : Date.parse(until)),
    open: until === null,
  }));

/** A measure over time: as it came in, and as it left. */
export interface Curve {
  path: string;
  points: { x: number; y: number; says: string; found: boolean }[];
  ticks: { y: number; value: number }[];
}

/** `values` in the order of time; `top`, `bottom`: where they are drawn, px. Null where nothing is known. */
export function curveOf(
  { x, now }: TimeAxis,
  values: readonly { at: number; value: number; says: string; found: boolean }[],
  { top, bottom, step }: { top: number; bottom: number; step: boolean },
): Curve | null {
  const last = values.at(-1);
  if (last === undefined) return null;
  const all = values.map(({ value }) => value);
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const spare = Math.max(0.12 * (high - low), 0.02 * Math.abs(high), 1e-9);
  const y = scaleLinear([low - spare, high + spare], [bottom, top]);
  const corners = values.flatMap(({ at, value }, nth): [number, number][] => {
    const next = values[nth + 1];
    const spot: [number, number] = [x(at), y(value)];
    return step ? [spot, [x(next?.at ?? now), y(value)]] : [spot, ...(next === undefined ? [[x(now), y(value)] as [number, number]] : [])];
  });
  return {
    path: line()(corners) ?? '',
    points: values.map(({ at, value, says, found }) => ({ x: x(at), y: y(value), says, found })),
    ticks: [...new Set([low, high])].map((value) => ({ y: y(value), value })),
  };
}

/** What all strings pulled, N, setup by setup. */
export const pullsOf = ({ geometry, setups }: Pick<Passport, 'geometry' | 'setups'>) =>
  inTime(setups).flatMap((setup) => {
    const pull = pullOf(geometry, setup);
    return pull === null ? [] : [{ at: Date.parse(setup.fittedAt), value: pull as number, found: false }];
  });

/** What was measured, mm: as it came in before as it left, at each setup. */
export const measuredOf = (setups: readonly PastSetup[], what: PastSetup['measurements'][number]['what']) =>
  inTime(setups).flatMap(({ fittedAt, measurements }) =>
    measurements
      .filter((each) => each.what === what)
      .sort((a, b) => Number(b.asItCame ?? false) - Number(a.asItCame ?? false))
      .map(({ valueMm, asItCame }) => ({ at: Date.parse(fittedAt), value: valueMm, found: asItCame === true })),
  );

const inTime = (setups: readonly PastSetup[]) => [...setups].sort((a, b) => Date.parse(a.fittedAt) - Date.parse(b.fittedAt));
