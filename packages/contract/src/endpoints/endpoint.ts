import type * as z from 'zod';
import type { Role } from '../people/index.js';

/** One row of the contract. `who` may be anyone, anyone signed in, or some roles. */
export interface Endpoint {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  path: `/api/${string}`;
  room: string;
  summary: string;
  who: 'anyone' | 'signed-in' | readonly Role[];
  params?: z.ZodObject;
  query?: z.ZodObject;
  body?: z.ZodType;
  reply: z.ZodType;
  status: 200 | 201;
}
