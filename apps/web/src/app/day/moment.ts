import type { Day } from '@gold-peg/contract/day';
import { DateTime } from 'luxon';

const MINUTE_MS = 60_000;

/** A minute of the plan on the clock of the world. */
export const momentOf = ({ origin }: Pick<Day, 'origin'>, minute: number): Date => new Date(Date.parse(origin) + minute * MINUTE_MS);

/** The day of the plan, such as 2026-12-25, by the clock of the house. */
export const dateOf = (day: Pick<Day, 'origin' | 'now' | 'hours'>): string =>
  DateTime.fromJSDate(momentOf(day, day.now), { zone: day.hours.zone }).toISODate() ?? '';

/** Promises are made for the half hour. */
const STEP_MIN = 30;

/** The next half hour at which the house is open, to promise what is ready by then; null beyond what is planned. */
export function toPromise({ open }: Pick<Day, 'open'>, minute: number): number | null {
  const half = Math.ceil(minute / STEP_MIN) * STEP_MIN;
  const window = open.find(([, until]) => until >= half);
  return window === undefined ? null : Math.max(window[0], half);
}
