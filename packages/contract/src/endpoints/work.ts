import * as z from 'zod';
import { appendOutcome, benchEvent, logPage, logQuery, storedEvent } from '../bench-log/index.js';
import { askedSchema, daySchema, hoursChange, keptSchema, pinChange, planChange } from '../day/index.js';
import { jobDraft, jobSummary, promiseMove, worksheetSchema } from '../jobs/index.js';
import { PAPER_KINDS } from '../paper/index.js';
import type { Endpoint } from './endpoint.js';
import { bench, byId, front, page } from './shared.js';

const paper = z.enum(PAPER_KINDS, { error: `must be ${PAPER_KINDS.join(' or ')}: papers a workshop's printer holds` }).default('a4');
/** A place in the log: what comes after it is asked for. */
const seq = z.coerce.number().int().min(0).max(Number.MAX_SAFE_INTEGER);
const place = seq.default(0);
/** Most events that one answer holds. */
export const MOST_EVENTS_READ = 200;
/** Most events that one request may carry. */
export const MOST_EVENTS = 200;

/** Jobs, the bench log and papers. */
export const WORK = {
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
  movePromise: {
    method: 'PUT',
    path: '/api/jobs/:id/promise',
    room: 'jobs',
    summary: 'Agree on another hour for an open job',
    who: front,
    params: byId,
    body: promiseMove,
    reply: jobSummary,
    status: 200,
  },
  promisesKept: {
    method: 'GET',
    path: '/api/day/kept',
    room: 'day',
    summary: 'Promises of the last months, how likely each was said to be, and when it was ready',
    who: front,
    reply: keptSchema,
    status: 200,
  },
  day: {
    method: 'GET',
    path: '/api/day',
    room: 'day',
    summary: 'The workshop as the planner sees it: people and their hours, what is left of each job, pins, the plan in force',
    who: front,
    reply: daySchema,
    status: 200,
  },
  askedJob: {
    method: 'GET',
    path: '/api/day/asked/:id',
    room: 'day',
    summary: 'What an instrument would take if it was taken in now, beside the day as it is',
    who: front,
    params: byId,
    reply: askedSchema,
    status: 200,
  },
  pin: {
    method: 'PUT',
    path: '/api/day/pins',
    room: 'day',
    summary: 'Let an operation stay at a person and an hour, or anywhere again',
    who: front,
    body: pinChange,
    reply: daySchema,
    status: 200,
  },
  keepPlan: {
    method: 'PUT',
    path: '/api/day/plan',
    room: 'day',
    summary: 'Put a plan in force: the next one moves as little of it as it can',
    who: front,
    body: planChange,
    reply: daySchema,
    status: 200,
  },
  changeHours: {
    method: 'PUT',
    path: '/api/day/hours',
    room: 'day',
    summary: 'Change the hours of the house, and how it plans',
    who: ['owner'],
    body: hoursChange,
    reply: daySchema,
    status: 200,
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
  readLog: {
    method: 'GET',
    path: '/api/log',
    room: 'bench-log',
    summary: 'Events of the whole log, the latest first, by person, instrument, kind and time',
    who: front,
    query: logQuery.extend({ before: seq.optional(), limit: page.limit }),
    reply: logPage,
    status: 200,
  },
  logCsv: {
    method: 'GET',
    path: '/api/log.csv',
    room: 'bench-log',
    summary: 'The same from the oldest on as a table, however many there are; no cell is a formula',
    who: front,
    query: logQuery,
    gives: 'text/csv',
    status: 200,
  },
  logJson: {
    method: 'GET',
    path: '/api/log.json',
    room: 'bench-log',
    summary: 'The same as one JSON array',
    who: front,
    query: logQuery,
    gives: 'application/json',
    status: 200,
  },
  cutStripPdf: {
    method: 'GET',
    path: '/api/jobs/:id/cut-strip.pdf',
    room: 'jobs',
    summary: 'Cut marks of a job on paper, true to scale',
    who: front,
    params: byId,
    query: z.object({ paper }),
    gives: 'application/pdf',
    status: 200,
  },
  cardPdf: {
    method: 'GET',
    path: '/api/jobs/:id/card.pdf',
    room: 'jobs',
    summary: 'What goes home with the instrument of a job, on one page',
    who: front,
    params: byId,
    query: z.object({ paper }),
    gives: 'application/pdf',
    status: 200,
  },
  labelPdf: {
    method: 'GET',
    path: '/api/instruments/:id/label.pdf',
    room: 'register',
    summary: 'A label for the case of an instrument, with a QR code that opens its passport',
    who: front,
    params: byId,
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
