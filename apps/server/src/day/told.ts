import { DateTime } from 'luxon';
import type { DataSource } from 'typeorm';
import { writeCalendar, type CalendarEntry } from '@gold-peg/contract/calendar';
import type { CalendarKind } from '@gold-peg/contract/calendars';
import type { Day, DayJob, Visits } from '@gold-peg/contract/day';
import { BEGUN, HAND_OVER_ID, isVisit } from '@gold-peg/craft/day';
import { NOBODY } from './house-pace.js';
import { rackOf } from './rack.js';

const MINUTE_MS = 60_000;

/** A piece of the plan in force, as people are told of it. */
export interface Told {
  job: DayJob;
  operation: string;
  what: 'bench work' | 'tune again' | 'hand over';
  person: string;
  at: Date;
  minutes: number;
}

const whatOf = (operation: string): Told['what'] =>
  operation === HAND_OVER_ID ? 'hand over' : isVisit(operation) ? 'tune again' : 'bench work';

/** The plan in force in the order of time, of what is still left to do. */
export function toldOf({ origin, inForce, jobs, people }: Day): Told[] {
  return inForce
    .flatMap(({ job: id, operation, person, start }): Told[] => {
      const job = jobs.find((each) => each.id === id);
      const minutes = job?.operations.find((each) => each.id === operation)?.minutes;
      if (job === undefined || minutes === undefined) return [];
      const at = new Date(Date.parse(origin) + start * MINUTE_MS);
      return [{ job, operation, what: whatOf(operation), person: people.find((each) => each.id === person)?.name ?? '', at, minutes }];
    })
    .sort((a, b) => a.at.getTime() - b.at.getTime());
}

export const readTold = async (store: DataSource, now: Date): Promise<{ day: Day; told: Told[] }> => {
  const day = await rackOf(store, now, NOBODY); // whoever reads a calendar is not signed in
  return { day, told: toldOf(day) };
};

/**
 * The next look at each instrument that was left to itself: when the plan in force has it, and where that is none, or too early by what was read since, as soon as its strings are to be tuned.
 */
export function nextVisits({ origin, inForce, jobs, done }: Day): Visits['visits'] {
  return jobs.flatMap((job) => {
    const next = job.operations.find(({ id }) => id !== BEGUN);
    const left = done.find((each) => each.job === job.id)?.end;
    if (next === undefined || left === undefined || !isVisit(next.id)) return [];
    const wanted = left + next.after;
    const planned = inForce.find((each) => each.job === job.id && each.operation === next.id)?.start ?? 0;
    const at = new Date(Date.parse(origin) + Math.max(wanted, planned) * MINUTE_MS).toISOString();
    return [{ jobId: job.id, passport: job.passport, name: job.name, at }];
  });
}

const TOLD: Readonly<Record<Exclude<CalendarKind, 'due'>, (told: Told) => boolean>> = {
  day: () => true,
  visits: ({ what }) => what === 'tune again',
  'hand-overs': ({ what }) => what === 'hand over',
};
const NAMES: Readonly<Record<Exclude<CalendarKind, 'due'>, string>> = {
  day: 'The bench day',
  visits: 'Strings to tune again',
  'hand-overs': 'Hand-overs',
};

/** The plan in force as an iCalendar file. What is planned anew keeps its name, and counts on. */
export async function writeDay(store: DataSource, now: Date, which: Exclude<CalendarKind, 'due'>): Promise<string> {
  const { day, told } = await readTold(store, now);
  const entries = told.filter(TOLD[which]).map(({ job, operation, what, person, at, minutes }): CalendarEntry => {
    const passport = String(job.passport).padStart(4, '0');
    const promised =
      job.promisedAt === null
        ? 'no hurry'
        : `promised for ${DateTime.fromISO(job.promisedAt, { zone: day.hours.zone }).toFormat('ccc d LLL, H:mm')}`;
    return {
      id: `${job.id}-${operation}`,
      ...{ at, minutes, sequence: day.version },
      title: `${passport} ${job.name}: ${what}`,
      says: `${person}; ${job.ownerName ?? 'no owner'}, ${promised}`,
      alarmBefore: what === 'tune again' ? 0 : null,
    };
  });
  return writeCalendar(NAMES[which], entries, now);
}
