import { DateTime } from 'luxon';
import type { HouseHours } from '@gold-peg/contract/day';

const MINUTE_MS = 60_000;

/** The midnight, in the zone of the house, so many days before a moment: all minutes of a plan are counted from one such. */
export const midnightBefore = (at: Date, days: number, zone: string): Date =>
  DateTime.fromJSDate(at, { zone }).startOf('day').minus({ days }).toJSDate();

interface Span {
  from: Date;
  days: number;
}

/**
 * Stretches in which the house is open, from a day on and for so many, in whole minutes from `origin`. A wall clock that is put forward or back keeps its hours: nine in the morning is nine in the morning.
 */
export function openWindows(
  { week, zone, closed }: Pick<HouseHours, 'week' | 'zone' | 'closed'>,
  origin: Date,
  { from, days }: Span,
): [number, number][] {
  const first = DateTime.fromJSDate(from, { zone }).startOf('day');
  return Array.from({ length: days }, (_, nth) => first.plus({ days: nth })).flatMap((date) => {
    if (closed.includes(date.toISODate() ?? '')) return [];
    const at = (minutes: number) =>
      Math.round(
        (date
          .plus({ days: Math.floor(minutes / 1440) })
          .set({ hour: Math.floor(minutes / 60) % 24, minute: minutes % 60 })
          .toMillis() -
          origin.getTime()) /
          MINUTE_MS,
      );
    return (week[date.weekday - 1] ?? []).map(([a, b]): [number, number] => [at(a), at(b)]).filter(([a, b]) => a < b);
  });
}

/** The same of one person: their own week where they have one, less the days on which they are away. */
export function windowsOf(hours: HouseHours, personId: string, origin: Date, span: Span): [number, number][] {
  const own = hours.people.find((each) => each.personId === personId);
  const closed = [...hours.closed, ...(own?.away ?? [])];
  return openWindows({ zone: hours.zone, week: own?.week ?? hours.week, closed }, origin, span);
}

/** Who is away on the day of a moment. */
export const awayOn = ({ zone, people }: Pick<HouseHours, 'zone' | 'people'>, at: Date): ReadonlySet<string> => {
  const date = DateTime.fromJSDate(at, { zone }).toISODate() ?? '';
  return new Set(people.filter(({ away }) => away.includes(date)).map(({ personId }) => personId));
};
