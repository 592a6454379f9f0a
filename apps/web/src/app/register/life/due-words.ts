import { WEAR } from '@gold-peg/craft/constants';
import { dueOf, livesOf, type Due, type HoursAsked } from '@gold-peg/craft/wear';
import type { Passport, PlayedHours } from '@gold-peg/contract/register';

const DAY_MS = 86_400_000;
/** What is taken for granted where nobody asked, h a week. */
export const USUAL_HOURS = WEAR.weeklyHours.value;

export const askedOf = (hours: PlayedHours | null): HoursAsked | null =>
  hours === null ? null : { weeklyHours: hours.weeklyHours, askedAt: Date.parse(hours.askedAt) };

/** Condition of the strings of an instrument by its passport. */
export const dueIn = ({ geometry, setups, hours }: Passport, now: number): Due | null =>
  dueOf({ family: geometry.family, setups, hours: askedOf(hours) }, now);

/** "in 57 days", "today", "40 days ago". */
export function sayWhen(at: number, now: number): string {
  const days = Math.round((at - now) / DAY_MS);
  if (days === 0) return 'today';
  const many = `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'}`;
  return days > 0 ? `in ${many}` : `${many} ago`;
}

/** One life of the string that is worn first. */
export interface LifeRow {
  from: number;
  days: number;
  hours: number;
  on: boolean;
  early: boolean;
}

export function lifeRows({ setups }: Passport, string: number, weeklyHours: number, now: number): LifeRow[] {
  return livesOf(setups, string).map(({ from, to, ended }) => {
    const days = ((to ?? now) - from) / DAY_MS;
    return { from, days, hours: (days * weeklyHours) / 7, on: to === null, early: ended === 'early' };
  });
}

/** Half of the band in days, as it is known and as it would be if the player was asked today. */
export function sharpened(passport: Passport, due: Due, now: number): { as: number; asked: number } {
  const half = (of: Due | null): number => {
    const band = of?.wear.get(due.string)?.due;
    return band === undefined ? Number.NaN : (band.high - band.low) / 2 / DAY_MS;
  };
  const weeklyHours = passport.hours?.weeklyHours ?? USUAL_HOURS;
  return { as: half(due), asked: half(dueIn({ ...passport, hours: { weeklyHours, askedAt: new Date(now).toISOString() } }, now)) };
}
