import type { Day } from '@gold-peg/contract/day';
import { DateTime } from 'luxon';
import { momentOf } from '../day';

const DAYS = 7;
const HOUR_MS = 3_600_000;
/** Earlier and later than that nothing is drawn where nobody is there. */
const [EARLIEST, LATEST] = [8, 19];

/** Somebody's time at the bench on a day, as shares of the width of that day. */
export interface Stretch {
  left: number;
  width: number;
}
export interface WeekDay {
  name: string;
  /** "9 to 17:30", or that it is closed. */
  hours: string;
  open: boolean;
  /** For each person at the bench in their order. */
  people: readonly (readonly Stretch[])[];
  /** Where now lies on it, where it is today. */
  now: number | null;
}

/** The next seven days of the house as they are planned with: who is at the bench when. */
export function weekOf({ people, hours, now, origin }: Pick<Day, 'people' | 'hours' | 'now' | 'origin'>): WeekDay[] {
  const { zone } = hours;
  const at = (minute: number) => DateTime.fromJSDate(momentOf({ origin }, minute), { zone });
  const today = at(now).startOf('day');
  const days = Array.from({ length: DAYS }, (_, index) => today.plus({ days: index }));
  const hourOf = (moment: DateTime, day: DateTime) => (moment.toMillis() - day.toMillis()) / HOUR_MS;
  const spans = days.map((day) =>
    people.map(({ windows }) =>
      windows
        .filter(([from]) => at(from).hasSame(day, 'day'))
        .map(([from, until]) => ({ from: hourOf(at(from), day), until: hourOf(at(until), day) })),
    ),
  );
  const all = spans.flat(2);
  const first = Math.floor(Math.min(EARLIEST, ...all.map(({ from }) => from)));
  const last = Math.ceil(Math.max(LATEST, ...all.map(({ until }) => until)));
  const share = (hour: number) => (100 * (hour - first)) / (last - first);
  return days.map((day, index) => {
    const own = spans[index] ?? [];
    const there = own.flat();
    const [opens, closes] = [Math.min(...there.map(({ from }) => from)), Math.max(...there.map(({ until }) => until))];
    const hourNow = hourOf(at(now), day);
    return {
      name: day.toFormat('ccc d'),
      open: there.length > 0,
      hours: there.length === 0 ? (index === 0 ? 'closed, or over' : 'closed') : `${clock(opens)} to ${clock(closes)}`,
      people: own.map((stretches) => stretches.map(({ from, until }) => ({ left: share(from), width: share(until) - share(from) }))),
      now: index === 0 && hourNow >= first && hourNow <= last ? share(hourNow) : null,
    };
  });
}

const clock = (hour: number): string => {
  const minutes = Math.round(60 * hour);
  return minutes % 60 === 0 ? String(minutes / 60) : `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
};
