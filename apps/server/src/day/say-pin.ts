import { DateTime } from 'luxon';
import type { Day } from '@gold-peg/contract/day';
import { pinFault, type PinFault } from '@gold-peg/craft/day';

const MINUTE_MS = 60_000;

/** Why a day cannot be with its pins, the first of which is the one that is asked for; null where it can. Where another is in its way for what it needs before it, that is named. */
export function sayFirst(day: Day): string | null {
  for (const [nth, pin] of day.pinned.entries()) {
    const fault = pinFault(day, pin);
    if (fault === null) continue;
    const says = sayPin(fault, day, pin);
    const at = DateTime.fromMillis(Date.parse(day.origin) + pin.start * MINUTE_MS, { zone: day.hours.zone }).toFormat('ccc H:mm');
    return nth === 0 ? says : `${passportIn(day, pin.job)} is pinned at ${at} as well, and ${says}`;
  }
  return null;
}

const passportIn = ({ jobs }: Day, id: string): string => String(jobs.find((job) => job.id === id)?.passport ?? '').padStart(4, '0');

/** Why an operation cannot lie where somebody put it, in the words of the bench and by the clock of the house. */
export function sayPin(fault: PinFault, day: Day, { person: id, start }: { person: string; start: number }): string {
  const { hours, people, origin } = day;
  const at = (minute: number) => DateTime.fromMillis(Date.parse(origin) + minute * MINUTE_MS, { zone: hours.zone });
  const time = (minute: number) => at(minute).toFormat('H:mm');
  const who = (each: string) => people.find((person) => person.id === each)?.name ?? 'Nobody';
  switch (fault.why) {
    case 'before-now':
      return `${time(start)} has gone by`;
    case 'cannot':
      return `${who(id)} does not take on instruments of that kind`;
    case 'hours': {
      const windows = people.find((person) => person.id === id)?.windows ?? [];
      const there = windows.filter(([from]) => at(from).hasSame(at(start), 'day')).map((window) => window.map(time).join(' to '));
      if (there.length === 0) return `${who(id)} is not there on ${at(start).toFormat('cccc')}`;
      return `${who(id)} is there ${at(start).toFormat('cccc')} ${there.join(' and ')}: ${fault.minutes} min from ${time(start)} do not fit`;
    }
    case 'busy': {
      return `${who(id)} has ${passportIn(day, fault.job)} in hand from ${time(fault.from)} to ${time(fault.until)}`;
    }
    case 'one-hand':
      return `this instrument stays in one hand, that of ${who(fault.person)}`;
    case 'chain':
      return `what comes before it takes until ${at(fault.earliest).toFormat(at(fault.earliest).hasSame(at(start), 'day') ? 'H:mm' : 'ccc H:mm')}`;
  }
}
