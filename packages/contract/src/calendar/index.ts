import ical from 'ical-generator';

/** One thing to do at a time. */
export interface CalendarEntry {
  /** The same for the same thing, so that a calendar that reads it again replaces it. */
  id: string;
  at: Date;
  /** Null for the whole day. */
  minutes: number | null;
  title: string;
  says: string;
  /** Told so many minutes before; null for no alarm. */
  alarmBefore: number | null;
  /** Higher each time it changes, where it can: a calendar that has an older one takes this. */
  sequence?: number;
}

const MINUTE_S = 60;
const MINUTE_MS = 60_000;

/** An iCalendar file (RFC 5545) of these entries, times in UTC. `made`: when it was written. */
export function writeCalendar(name: string, entries: readonly CalendarEntry[], made: Date): string {
  const calendar = ical({ name, prodId: { company: 'gold-peg', product: 'bench', language: 'EN' } });
  for (const { id, at, minutes, title, says, alarmBefore, sequence } of entries) {
    const event = calendar.createEvent({
      id: `${id}@gold-peg`,
      start: at,
      ...(minutes === null ? { allDay: true } : { end: new Date(at.getTime() + minutes * MINUTE_MS) }),
      stamp: made,
      summary: title,
      description: says,
      ...(sequence !== undefined && { sequence }),
    });
    if (alarmBefore !== null) event.createAlarm({ type: 'display' as never, trigger: alarmBefore * MINUTE_S, description: title });
  }
  return calendar.toString();
}
