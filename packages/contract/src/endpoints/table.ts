import * as z from 'zod';
import { appendOutcome, benchEvent, storedEvent } from '../bench-log/index.js';
import { exportedFile, FILE_FORMATS, FILE_KINDS, importDraft, importOutcome } from '../files/index.js';
import { jobDraft, jobSummary, worksheetSchema } from '../jobs/index.js';
import { passphraseChange, personDraft, personSchema, preferencesSchema, sessionSchema, signIn } from '../people/index.js';
import { uuid } from '../quantity/index.js';
import {
  geometryChange,
  houseSchema,
  instrumentChange,
  instrumentDraft,
  instrumentSummary,
  methodsChange,
  ownerDraft,
  ownerSchema,
  passportSchema,
} from '../register/index.js';
import { orderDraft, stockItem, stockList, stockRow, supplyOrder } from '../stock/index.js';
import { setRow, storedSet, storedString, stringRow, stringTable, tableId, tuningRow } from '../strings/index.js';
import type { Endpoint } from './endpoint.js';

const byId = z.object({ id: uuid });
const byTableId = z.object({ id: tableId });
const search = z.object({ search: z.string().max(80, { error: 'must have at most 80 characters' }).optional() });
const bench = ['owner', 'technician'] as const;
const front = ['owner', 'technician', 'counter'] as const;
const done = z.object({ done: z.literal(true) });

/** Most events that one request may carry. */
export const MOST_EVENTS = 200;

/** Every endpoint, declared once: the server validates by this table both ways, the browser's client is typed by it, OpenAPI is made from it. */
export const ENDPOINTS = {
  health: {
    method: 'GET',
    path: '/api/health',
    room: 'people',
    summary: 'Whether server and database answer',
    who: 'anyone',
    reply: done,
    status: 200,
  },
  session: {
    method: 'GET',
    path: '/api/session',
    room: 'people',
    summary: 'Who is signed in, and the token that changes need',
    who: 'anyone',
    reply: sessionSchema,
    status: 200,
  },
  signIn: {
    method: 'POST',
    path: '/api/session',
    room: 'people',
    summary: 'Sign in',
    who: 'anyone',
    body: signIn,
    reply: sessionSchema,
    status: 200,
  },
  signOut: {
    method: 'DELETE',
    path: '/api/session',
    room: 'people',
    summary: 'Sign out',
    who: 'anyone',
    reply: sessionSchema,
    status: 200,
  },
  savePreferences: {
    method: 'PUT',
    path: '/api/session/preferences',
    room: 'people',
    summary: 'Units, slack measure and theme of the person signed in',
    who: 'signed-in',
    body: preferencesSchema,
    reply: personSchema,
    status: 200,
  },
  changePassphrase: {
    method: 'PUT',
    path: '/api/session/passphrase',
    room: 'people',
    summary: 'Change your own passphrase',
    who: 'signed-in',
    body: passphraseChange,
    reply: done,
    status: 200,
  },
  listPeople: {
    method: 'GET',
    path: '/api/people',
    room: 'people',
    summary: 'People of the house',
    who: ['owner'],
    reply: z.array(personSchema),
    status: 200,
  },
  addPerson: {
    method: 'POST',
    path: '/api/people',
    room: 'people',
    summary: 'Add a person',
    who: ['owner'],
    body: personDraft,
    reply: personSchema,
    status: 201,
  },

  listOwners: {
    method: 'GET',
    path: '/api/owners',
    room: 'register',
    summary: 'Owners of instruments, by name',
    who: front,
    query: search,
    reply: z.array(ownerSchema),
    status: 200,
  },
  addOwner: {
    method: 'POST',
    path: '/api/owners',
    room: 'register',
    summary: 'Add an owner',
    who: front,
    body: ownerDraft,
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
    body: ownerDraft.extend({ version: z.int().min(1) }),
    reply: ownerSchema,
    status: 200,
  },
  listInstruments: {
    method: 'GET',
    path: '/api/instruments',
    room: 'register',
    summary: 'Instruments, by passport number; search looks at names, owners and kinds',
    who: front,
    query: search,
    reply: z.array(instrumentSummary),
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
  house: {
    method: 'GET',
    path: '/api/house',
    room: 'house',
    summary: 'Ways of the house, where it chose any',
    who: front,
    reply: houseSchema,
    status: 200,
  },
  changeHouse: {
    method: 'PUT',
    path: '/api/house/methods',
    room: 'house',
    summary: 'Change the ways of the house',
    who: ['owner'],
    body: methodsChange,
    reply: houseSchema,
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
    summary: 'A job with its instrument and its log',
    who: front,
    params: byId,
    reply: worksheetSchema,
    status: 200,
  },

  stringTable: {
    method: 'GET',
    path: '/api/strings',
    room: 'strings',
    summary: 'The strings table with its lines, sets and tunings',
    who: front,
    reply: stringTable,
    status: 200,
  },
  addString: {
    method: 'POST',
    path: '/api/strings',
    room: 'strings',
    summary: 'Add a string to the table',
    who: bench,
    body: stringRow,
    reply: storedString,
    status: 201,
  },
  changeString: {
    method: 'PUT',
    path: '/api/strings/:id',
    room: 'strings',
    summary: 'Change a string, its weighed mass for instance; refused when somebody else did meanwhile',
    who: bench,
    params: byTableId,
    body: stringRow.safeExtend({ version: z.int().min(1) }),
    reply: storedString,
    status: 200,
  },
  addSet: {
    method: 'POST',
    path: '/api/sets',
    room: 'strings',
    summary: 'Add a set of strings of the table',
    who: bench,
    body: setRow,
    reply: storedSet,
    status: 201,
  },
  addTuning: {
    method: 'POST',
    path: '/api/tunings',
    room: 'strings',
    summary: 'Add a tuning',
    who: bench,
    body: tuningRow,
    reply: tuningRow,
    status: 201,
  },

  stock: {
    method: 'GET',
    path: '/api/stock',
    room: 'stock',
    summary: 'What lies on the shelf, what is reserved, used, lost and ordered',
    who: front,
    reply: stockList,
    status: 200,
  },
  countStock: {
    method: 'PUT',
    path: '/api/stock',
    room: 'stock',
    summary: 'Say what was counted of one thing, and when more is to be ordered',
    who: front,
    body: stockRow,
    reply: stockItem,
    status: 200,
  },
  placeOrder: {
    method: 'POST',
    path: '/api/stock/orders',
    room: 'stock',
    summary: 'Order from the supplier',
    who: front,
    body: orderDraft,
    reply: supplyOrder,
    status: 201,
  },

  importFile: {
    method: 'POST',
    path: '/api/files',
    room: 'files',
    summary: 'Read a file of strings, sets or stock: checked whole, and written only when nothing is wrong and writing is asked for',
    who: bench,
    body: importDraft,
    reply: importOutcome,
    status: 200,
  },
  exportFile: {
    method: 'GET',
    path: '/api/files/:kind/:format',
    room: 'files',
    summary: 'Strings, sets or stock as a file',
    who: front,
    params: z.object({ kind: z.enum(FILE_KINDS), format: z.enum(FILE_FORMATS) }),
    reply: exportedFile,
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
    query: z.object({ after: z.coerce.number().int().min(0).default(0) }),
    reply: z.object({ events: z.array(storedEvent) }),
    status: 200,
  },
} as const satisfies Record<string, Endpoint>;

export type EndpointName = keyof typeof ENDPOINTS;
type Of<K extends EndpointName> = (typeof ENDPOINTS)[K];
type Part<K extends EndpointName, P extends string, D extends 'in' | 'out'> =
  Of<K> extends Record<P, infer S extends z.ZodType> ? (D extends 'in' ? z.input<S> : z.output<S>) : undefined;

export type ParamsOf<K extends EndpointName> = Part<K, 'params', 'out'>;
export type QueryOf<K extends EndpointName> = Part<K, 'query', 'out'>;
export type BodyOf<K extends EndpointName> = Part<K, 'body', 'out'>;
export type ReplyOf<K extends EndpointName> = z.output<Of<K>['reply']>;

/** What a caller passes: only the parts that the endpoint has. */
export type Call<K extends EndpointName> = (Of<K> extends { params: z.ZodType } ? { params: Part<K, 'params', 'in'> } : unknown) &
  (Of<K> extends { query: z.ZodType } ? { query?: Part<K, 'query', 'in'> } : unknown) &
  (Of<K> extends { body: z.ZodType } ? { body: Part<K, 'body', 'in'> } : unknown);
