import * as z from 'zod';
import { calendarAddress, calendarKind } from '../calendars/index.js';
import type { Endpoint } from './endpoint.js';
import { front } from './shared.js';

const params = z.object({ which: calendarKind });

/** Calendars that others read: as a file, and under an address that is secret. */
export const CALENDARS = {
  dayCalendar: {
    method: 'GET',
    path: '/api/day.ics',
    room: 'calendars',
    summary: 'The bench day as an iCalendar file: all of it, looks at strings that move, or hand-overs',
    who: front,
    query: z.object({ of: calendarKind.exclude(['due']).default('day') }),
    gives: 'text/calendar',
    status: 200,
  },
  calendarAddress: {
    method: 'GET',
    path: '/api/calendars/:which',
    room: 'calendars',
    summary: 'The secret address under which a calendar can subscribe; null where there is none',
    who: front,
    params,
    reply: calendarAddress,
    status: 200,
  },
  makeCalendarAddress: {
    method: 'POST',
    path: '/api/calendars/:which',
    room: 'calendars',
    summary: 'Make a new secret address; the one before it leads nowhere any more',
    who: front,
    params,
    body: z.strictObject({}),
    reply: calendarAddress,
    status: 201,
  },
  withdrawCalendarAddress: {
    method: 'DELETE',
    path: '/api/calendars/:which',
    room: 'calendars',
    summary: 'Withdraw the secret address: whoever subscribed to it finds nothing',
    who: front,
    params,
    reply: calendarAddress,
    status: 200,
  },
  subscribedCalendar: {
    method: 'GET',
    path: '/api/calendars/:which/:key',
    room: 'calendars',
    summary: 'What is due within the next half year, or the bench day, for a calendar that was told the secret address',
    who: 'anyone',
    params: z.object({ which: calendarKind, key: z.string().regex(/^[0-9a-f]{64}$/) }),
    gives: 'text/calendar',
    status: 200,
  },
} as const satisfies Record<string, Endpoint>;
