import * as z from 'zod';
import { triesDraft, trySchema } from '../practice/index.js';
import type { Endpoint } from './endpoint.js';

/** What somebody practised: their own, and nobody else's. */
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
} as const satisfies Record<string, Endpoint>;
