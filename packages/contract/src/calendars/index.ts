import * as z from 'zod';

/** What a calendar can be told: instruments that should come back, all of the bench day, only looks at strings that move, only hand-overs. */
export const CALENDARS = ['due', 'day', 'visits', 'hand-overs'] as const;
export type CalendarKind = (typeof CALENDARS)[number];
export const calendarKind = z.enum(CALENDARS, { error: `must be one of ${CALENDARS.join(', ')}` });

/** Where a calendar can subscribe to what is due, a path of this server; null where nobody made such an address. */
export const calendarAddress = z.object({ path: z.string().nullable() });
