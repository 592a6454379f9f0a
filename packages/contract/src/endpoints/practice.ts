import * as z from 'zod';
import { exerciseSheet, exerciseSheetDraft, learnerSchema, triesDraft, trySchema } from '../practice/index.js';
import type { Endpoint } from './endpoint.js';
import { byId, done } from './shared.js';

/** What somebody practised: their own, and nobody else's, but where a sheet asked for it or they let it be seen. */
export const PRACTICE = {
  readPractice: {
    method: 'GET',
    path: '/api/practice',
    room: 'practice',
    summary: 'What one practised, the latest last',
    who: 'signed-in',
    reply: z.array(trySchema),
    status: 200,
  },
  keepPractice: {
    method: 'POST',
    path: '/api/practice',
    room: 'practice',
    summary: 'Keep exercises that were answered: each is made again from its seed and judged; one that is known stays as it is',
    who: 'signed-in',
    body: triesDraft,
    reply: z.array(trySchema),
    status: 200,
  },
  listSheets: {
    method: 'GET',
    path: '/api/practice/sheets',
    room: 'practice',
    summary: 'Exercise sheets that one was given, with what came of them; the owner sees all, and everybody on them',
    who: 'signed-in',
    reply: z.array(exerciseSheet),
    status: 200,
  },
  addSheet: {
    method: 'POST',
    path: '/api/practice/sheets',
    room: 'practice',
    summary: 'Give an exercise sheet to people of the house',
    who: ['owner'],
    body: exerciseSheetDraft,
    reply: exerciseSheet,
    status: 201,
  },
  takeSheetBack: {
    method: 'DELETE',
    path: '/api/practice/sheets/:id',
    room: 'practice',
    summary: 'Take an exercise sheet back: nobody is asked for it any more; what was practised for it stays',
    who: ['owner'],
    params: byId,
    reply: done,
    status: 200,
  },
  sheetCsv: {
    method: 'GET',
    path: '/api/practice/sheets/:id/results.csv',
    room: 'practice',
    summary: 'What came of an exercise sheet, as CSV',
    who: ['owner'],
    params: byId,
    gives: 'text/csv',
    status: 200,
  },
  listLearners: {
    method: 'GET',
    path: '/api/practice/learners',
    room: 'practice',
    summary: 'How those stand who let the owner of the house see it',
    who: ['owner'],
    reply: z.array(learnerSchema),
    status: 200,
  },
} as const satisfies Record<string, Endpoint>;
