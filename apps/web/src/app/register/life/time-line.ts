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
/** A letter of a label is so wide, a label so tall; its middle stands so far beside and above its point, which reaches so far, px. */
export const LETTER = 7.4;
const LABEL_PX = 12;
export const BESIDE = 8;
const ABOVE = 10;
const DOT_PX = 5;

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

interface Point {
  x: number;
  y: number;
  says: string;
  found: boolean;
}

/** A measure over time: as it came in, and as it left. */
export interface Curve {
  path: string;
  /** With what is written beside each, as far as there is room. */
  points: (Point & { label: string })[];
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
    points: labelled(values.map(({ at, value, says, found }) => ({ x: x(at), y: y(value), says, found }))),
    ticks: [...new Set([low, high])].map((value) => ({ y: y(value), value })),
  };
}

/** The newest, then the others as they came: no label over a point or another label, and what stays as it was is not said again. */
function labelled(points: readonly Point[]): Curve['points'] {
  const taken = points.map(({ x, y }) => ({ from: x - DOT_PX, to: x + DOT_PX, y, half: DOT_PX }));
  const labels = points.map(() => '');
  const newest = points.length - 1;
  let said = '';
  for (const nth of [newest, ...points.slice(0, newest).keys()]) {
    const { x, y, says, found } = points[nth] as Point;
    const width = LETTER * says.length;
    const from = x + (found ? -BESIDE - width : BESIDE);
    const label = { from, to: from + width, y: y - ABOVE, half: LABEL_PX / 2 };
    const hides = taken.some(
      (other) => other.from < label.to && label.from < other.to && Math.abs(other.y - label.y) < other.half + label.half,
    );
    if (says === said || hides) continue;
    taken.push(label);
    labels[nth] = says;
    if (nth < newest) said = says;
  }
  return points.map((point, nth) => ({ ...point, label: labels[nth] ?? '' }));
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
