import type { Day } from '@gold-peg/contract/day';
import { scaleLinear, type ScaleLinear } from 'd3';
import { DateTime } from 'luxon';
import { momentOf } from './moment';

/** Closed hours are narrowed to so many pixels: a night, and a break. */
const NIGHT_PX = 38;
const BREAK_PX = 20;
const NIGHT_FROM = 4 * 60;
/** Room that the name of an hour takes, and with its day. */
const HOUR_PX = 48;
const DAY_PX = 80;

export interface Closed {
  from: number;
  until: number;
  x: number;
  width: number;
}
export interface HourTick {
  x: number;
  label: string;
  /** The day, where one begins. */
  day: string;
}
export interface TimeScale {
  x: ScaleLinear<number, number>;
  from: number;
  until: number;
  closed: readonly Closed[];
  ticks: readonly HourTick[];
}

/** Hours of the house from left to right, closed ones narrowed: so many of its days from today on. */
export function timeScale(day: Day, { width, days }: { width: number; days: number }): TimeScale {
  const { zone } = day.hours;
  const dateOf = (minute: number) => DateTime.fromJSDate(momentOf(day, minute), { zone }).toISODate();
  const all = hoursOfAll(day);
  const dates = [...new Set(all.filter(([, until]) => until > day.now).map(([from]) => dateOf(from)))].slice(0, days);
  const open = all.filter(([from]) => dates.includes(dateOf(from)));
  const from = Math.min(day.now, open[0]?.[0] ?? day.now);
  const until = Math.max(day.now + 60, open.at(-1)?.[1] ?? 0);
  const edges = [from, ...open.flat(), until].sort((a, b) => a - b);
  const stretches = edges.slice(1).flatMap((end, nth) => {
    const start = edges[nth] ?? end;
    return end > start ? [{ start, end, isOpen: open.some(([a, b]) => a <= start && end <= b) }] : [];
  });
  const closedPx = (minutes: number) => (minutes > NIGHT_FROM ? NIGHT_PX : BREAK_PX);
  const openMinutes = stretches.reduce((sum, { start, end, isOpen }) => sum + (isOpen ? end - start : 0), 0);
  const narrowed = stretches.reduce((sum, { start, end, isOpen }) => sum + (isOpen ? 0 : closedPx(end - start)), 0);
  const perMinute = Math.max(0.05, (width - narrowed) / Math.max(1, openMinutes));
  const range = [0];
  for (const { start, end, isOpen } of stretches)
    range.push((range.at(-1) ?? 0) + (isOpen ? (end - start) * perMinute : closedPx(end - start)));
  const x = scaleLinear()
    .domain([from, ...stretches.map(({ end }) => end)])
    .range(range)
    .clamp(true);
  const closed = stretches
    .filter(({ isOpen }) => !isOpen)
    .map(({ start, end }) => ({ from: start, until: end, x: x(start), width: x(end) - x(start) }));
  return { x, from, until, closed, ticks: ticksOf(day, open, x, perMinute) };
}

/** Whenever the house is open or somebody is there, in stretches that do not touch. */
function hoursOfAll({ open, people }: Day): [number, number][] {
  const all = [...open, ...people.flatMap(({ windows }) => windows)].sort(([a], [b]) => a - b);
  return all.reduce<[number, number][]>((joined, [from, until]) => {
    const last = joined.at(-1);
    if (last === undefined || from > last[1]) return [...joined, [from, until]];
    return [...joined.slice(0, -1), [last[0], Math.max(last[1], until)]];
  }, []);
}

/** Whole hours of what is open; named as many as have room. */
function ticksOf(day: Day, open: readonly (readonly [number, number])[], x: (minute: number) => number, perMinute: number): HourTick[] {
  const step = [1, 2, 3, 6].find((hours) => hours * 60 * perMinute >= 64) ?? 6;
  let last = '';
  let free = -Infinity;
  return open.flatMap(([from, until]) => {
    const ticks: HourTick[] = [];
    for (let minute = from; minute < until; minute++) {
      const at = DateTime.fromJSDate(momentOf(day, minute), { zone: day.hours.zone });
      if (at.minute !== 0 || (at.hour % step !== 0 && minute !== from)) continue;
      const date = at.toFormat('ccc');
      const begins = date === last ? '' : date;
      const place = x(minute);
      const says = begins !== '' || place >= free;
      ticks.push({ x: place, label: says ? at.toFormat('H:mm') : '', day: begins });
      if (says) free = place + (begins === '' ? HOUR_PX : DAY_PX);
      last = date;
    }
    return ticks;
  });
}
