import * as z from 'zod';
import { appendOutcome, benchEvent, storedEvent } from '../bench-log/index.js';
import { jobDraft, jobSummary, worksheetSchema } from '../jobs/index.js';
import { PAPER_KINDS } from '../paper/index.js';
import { instant, uuid, version } from '../quantity/index.js';
import {
  duePage,
  geometryChange,
  instrumentChange,
  instrumentDraft,
  instrumentPage,
  methodsChange,
  newOwner,
  orderWay,
  ownerDraft,
  ownerPage,
  ownerSchema,
  passportSchema,
  registerOrder,
} from '../register/index.js';
import type { Endpoint } from './endpoint.js';
import { bench, byId, front, page } from './shared.js';

/** Passports are numbered by the database, which counts so far. */
const MOST_PASSPORT = 2 ** 31 - 1;
const passportNumber = z.coerce.number().int().min(0).max(MOST_PASSPORT);
/** A place in the log: what comes after it is asked for. */
const place = z.coerce.number().int().min(0).max(Number.MAX_SAFE_INTEGER).default(0);
/** Most events that one answer holds. */
export const MOST_EVENTS_READ = 200;
/** Most events that one request may carry. */
export const MOST_EVENTS = 200;

/** Register, jobs and the bench log. */
export const WORK = {
  listOwners: {
    method: 'GET',
    path: '/api/owners',
    room: 'register',
    summary: 'Owners of instruments, by name',
    who: front,
    query: z.object({ ...page, after: uuid.optional() }),
    reply: ownerPage,
    status: 200,
  },
  addOwner: {
    method: 'POST',
    path: '/api/owners',
    room: 'register',
    summary: 'Add an owner',
    who: front,
    body: newOwner,
    reply: ownerSchema,
    status: 201,
  },
  changeOwner: {
    method: 'PUT',
    path: '/api/owners/:id',
    room: 'register',
    summary: 'Change an owner; refused when somebody else did meanwhile',
    who: front,
    params: byId,
    body: ownerDraft.extend({ version }),
    reply: ownerSchema,
    status: 200,
  },
  listInstruments: {
    method: 'GET',
    path: '/api/instruments',
    room: 'register',
    summary: 'Instruments, by passport number, name, owner or age of their strings; search looks at names, owners and kinds',
    who: front,
    query: z.object({
      ...page,
      after: passportNumber.optional(),
      order: registerOrder.default('passport'),
      way: orderWay.default('asc'),
    }),
    reply: instrumentPage,
    status: 200,
  },
  listDue: {
    method: 'GET',
    path: '/api/due',
    room: 'register',
    summary: 'Instruments that should come back, the earliest first, and why. Those in the workshop are left out',
    who: front,
    query: z.object({ until: instant, after: passportNumber.optional(), limit: page.limit }),
    reply: duePage,
    status: 200,
  },
  dueCalendar: {
    method: 'GET',
    path: '/api/due.ics',
    room: 'register',
    summary: 'The same as an iCalendar file, one day for each',
    who: front,
    query: z.object({ until: instant }),
    gives: 'text/calendar',
    status: 200,
  },
  addInstrument: {
    method: 'POST',
    path: '/api/instruments',
    room: 'register',
    summary: 'Add an instrument from an archetype',
    who: front,
    body: instrumentDraft,
    reply: passportSchema,
    status: 201,
  },
  passport: {
    method: 'GET',
    path: '/api/instruments/:id',
    room: 'register',
    summary: "An instrument's passport: geometry, current strings, past setups",
    who: front,
    params: byId,
    reply: passportSchema,
    status: 200,
  },
  changeInstrument: {
    method: 'PUT',
    path: '/api/instruments/:id',
    room: 'register',
    summary: 'Change name, owner or remark; refused when somebody else did meanwhile',
    who: front,
    params: byId,
    body: instrumentChange,
    reply: passportSchema,
    status: 200,
  },
  changeGeometry: {
    method: 'PUT',
    path: '/api/instruments/:id/geometry',
    room: 'register',
    summary: 'Measured geometry: posts, trees, nut; refused when somebody else changed the passport meanwhile',
    who: bench,
    params: byId,
    body: geometryChange,
    reply: passportSchema,
    status: 200,
  },
  changeMethods: {
    method: 'PUT',
    path: '/api/instruments/:id/methods',
    room: 'register',
    summary: 'Ways that hold for this instrument alone',
    who: bench,
    params: byId,
    body: methodsChange,
    reply: passportSchema,
    status: 200,
  },
  listJobs: {
    method: 'GET',
    path: '/api/jobs',
    room: 'jobs',
    summary: 'What is waiting and on the bench, in the order promised',
    who: front,
    reply: z.array(jobSummary),
    status: 200,
  },
  takeIn: {
    method: 'POST',
    path: '/api/jobs',
    room: 'jobs',
    summary: 'Take an instrument in',
    who: front,
    body: jobDraft,
    reply: jobSummary,
    status: 201,
  },
  worksheet: {
    method: 'GET',
    path: '/api/jobs/:id',
    room: 'jobs',
    summary: 'A job with its instrument and its log from a place on, so far as one answer holds; the rest is read with jobEvents',
    who: front,
    params: byId,
    query: z.object({ after: place }),
    reply: worksheetSchema,
    status: 200,
  },
  appendEvents: {
    method: 'POST',
    path: '/api/events',
    room: 'bench-log',
    summary: 'Append to the bench log. An event already stored changes nothing; the answer comes after the commit',
    who: bench,
    body: z.strictObject({
      events: z
        .array(benchEvent)
        .min(1, { error: 'must hold at least one event' })
        .max(MOST_EVENTS, { error: `must hold at most ${MOST_EVENTS} events` }),
    }),
    reply: z.object({ outcomes: z.array(appendOutcome) }),
    status: 200,
  },
  jobEvents: {
    method: 'GET',
    path: '/api/jobs/:id/events',
    room: 'bench-log',
    summary: 'Events of a job after a place in the log',
    who: front,
    params: byId,
    query: z.object({ after: place }),
    reply: z.object({ events: z.array(storedEvent), more: z.boolean().default(false) }),
    status: 200,
  },
  cutStripPdf: {
    method: 'GET',
    path: '/api/jobs/:id/cut-strip.pdf',
    room: 'jobs',
    summary: 'Cut marks of a job on paper, true to scale',
    who: front,
    params: byId,
    query: z.object({
      paper: z.enum(PAPER_KINDS, { error: `must be ${PAPER_KINDS.join(' or ')}: papers a workshop's printer holds` }).default('a4'),
    }),
    gives: 'application/pdf',
    status: 200,
  },
  feed: {
    method: 'GET',
    path: '/api/feed',
    room: 'bench-log',
    summary: 'Server-sent events: one line, of the form of feedMessage, for each change of the log. It ends with the session',
    who: front,
    gives: 'text/event-stream',
    status: 200,
  },
} as const satisfies Record<string, Endpoint>;
