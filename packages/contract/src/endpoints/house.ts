import * as z from 'zod';
import { copiesSchema, copySchema } from '../copies/index.js';
import { actSchema, deviceDraft, deviceSchema, linkMade, openSession, personChange, personDraft, personOfHouse } from '../people/index.js';
import { uuid } from '../quantity/index.js';
import type { Endpoint } from './endpoint.js';
import { byId, done } from './shared.js';

const nothing = z.strictObject({});
const office = { room: 'office', who: ['owner'], office: true } as const;
const session = z.object({ id: z.string().regex(/^[0-9a-f]{64}$/) });

/** What the owner of a house sees to: people and their rights, where they are signed in, and who did what. */
export const HOUSE = {
  listPeople: {
    method: 'GET',
    path: '/api/people',
    ...office,
    summary: 'People of the house, who works, is locked out or has left',
    reply: z.array(personOfHouse),
    status: 200,
  },
  addPerson: {
    method: 'POST',
    path: '/api/people',
    ...office,
    summary: 'Add a person',
    body: personDraft,
    reply: personOfHouse,
    status: 201,
  },
  changePerson: {
    method: 'PUT',
    path: '/api/people/:id',
    ...office,
    summary: 'Change what somebody is called and may do, lock them out, or let them leave; their sessions end',
    params: byId,
    body: personChange,
    reply: personOfHouse,
    status: 200,
  },
  makeLink: {
    method: 'POST',
    path: '/api/people/:id/link',
    ...office,
    summary: 'A link by which somebody chooses a new passphrase, once',
    params: byId,
    body: nothing,
    reply: linkMade,
    status: 201,
  },
  listSessions: {
    method: 'GET',
    path: '/api/sessions',
    room: 'office',
    summary: 'Where one is signed in; the owner sees everybody',
    who: 'signed-in',
    office: true,
    reply: z.array(openSession),
    status: 200,
  },
  endSession: {
    method: 'DELETE',
    path: '/api/sessions/:id',
    room: 'office',
    summary: 'End a session: one’s own, or as the owner anybody’s',
    who: 'signed-in',
    office: true,
    params: session,
    reply: done,
    status: 200,
  },
  endSessions: {
    method: 'DELETE',
    path: '/api/people/:id/sessions',
    room: 'office',
    summary: 'End all sessions of somebody but the one that asks',
    who: 'signed-in',
    office: true,
    params: byId,
    reply: done,
    status: 200,
  },
  listDevices: {
    method: 'GET',
    path: '/api/devices',
    ...office,
    summary: 'Devices of the bench',
    reply: z.array(deviceSchema),
    status: 200,
  },
  allowDevice: {
    method: 'POST',
    path: '/api/devices',
    ...office,
    summary: 'Let this device be one of the bench, on which people change by a code',
    body: deviceDraft,
    reply: deviceSchema,
    status: 201,
  },
  withdrawDevice: {
    method: 'DELETE',
    path: '/api/devices/:id',
    ...office,
    summary: 'A device is no longer one of the bench',
    params: byId,
    reply: done,
    status: 200,
  },
  listCopies: { method: 'GET', path: '/api/copies', ...office, summary: 'Copies of the whole house', reply: copiesSchema, status: 200 },
  makeCopy: {
    method: 'POST',
    path: '/api/copies',
    ...office,
    summary: 'Begin a copy of the whole house: it is written, opened in an empty house and compared',
    body: nothing,
    reply: copySchema,
    status: 201,
  },
  copyFile: {
    method: 'GET',
    path: '/api/copies/:id/file',
    ...office,
    summary: 'A copy, to be carried out of the house',
    params: byId,
    gives: 'application/json',
    status: 200,
  },
  listActs: {
    method: 'GET',
    path: '/api/acts',
    ...office,
    summary: 'Who did what, latest first',
    query: z.object({
      before: z.iso.datetime().optional(),
      person: uuid.optional(),
      limit: z.coerce.number().int().min(1).max(200).default(60),
    }),
    reply: z.array(actSchema),
    status: 200,
  },
  actsCsv: { method: 'GET', path: '/api/acts.csv', ...office, summary: 'Who did what, all of it', gives: 'text/csv', status: 200 },
} as const satisfies Record<string, Endpoint>;
