import { expect, it } from 'vitest';
import { writeCalendar } from './index.js';

const entry = {
  id: 'job-1',
  at: new Date('2026-05-26T14:20:00Z'),
  minutes: 5,
  title: 'Tune passport 0098 again',
  says: 'Strings 1, 2; three of them move.',
  alarmBefore: 0,
};
const made = new Date('2026-05-26T12:00:00Z');
/** Lines as they were before they were folded at 75 octets. */
const lines = (file: string) => file.replace(/\r\n[ \t]/g, '').split('\r\n');

it('writes what RFC 5545 asks of an event: who it is, when in UTC, what, and its alarm', () => {
  const written = lines(writeCalendar('Retunes', [entry], made));
  expect(written[0]).toBe('BEGIN:VCALENDAR');
  expect(written).toContain('VERSION:2.0');
  expect(written.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(1);
  expect(written).toContain('UID:job-1@gold-peg');
  expect(written).toContain('DTSTAMP:20260526T120000Z');
  expect(written).toContain('DTSTART:20260526T142000Z');
  expect(written).toContain('DTEND:20260526T142500Z');
  expect(written).toContain('SUMMARY:Tune passport 0098 again');
  expect(written).toContain('DESCRIPTION:Strings 1\\, 2\\; three of them move.');
  expect(written.slice(written.indexOf('BEGIN:VALARM'))).toContain('ACTION:DISPLAY');
});

it('counts the changes of a thing, which keeps its name: a calendar takes the later one for the earlier', () => {
  const [first, later] = [1, 7].map((sequence) => lines(writeCalendar('Day', [{ ...entry, sequence }], made)));
  expect([first, later].map((written) => written?.find((line) => line.startsWith('SEQUENCE')))).toEqual(['SEQUENCE:1', 'SEQUENCE:7']);
  expect(later).toContain('UID:job-1@gold-peg');
});

it('rings only where somebody wants it, and an empty calendar is still one', () => {
  expect(writeCalendar('Retunes', [{ ...entry, alarmBefore: null }], made)).not.toContain('VALARM');
  expect(lines(writeCalendar('Retunes', [], made)).filter((line) => line !== '').at(-1)).toBe('END:VCALENDAR'); // prettier-ignore
});
