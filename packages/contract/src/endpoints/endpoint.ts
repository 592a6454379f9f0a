import type * as z from 'zod';
import type { Role } from '../people/index.js';

/** Request header with the id of the person for whom a page asks. */
export const PERSON_HEADER = 'x-person';
/** A name that a page gives its request, and that the log of the server repeats where it failed. */
export const REQUEST_HEADER = 'x-request-id';

interface Common {
  path: `/api/${string}`;
  room: string;
  summary: string;
  /** Anyone, anyone signed in, or some roles. */
  who: 'anyone' | 'signed-in' | readonly Role[];
  /** Not for who signed in by a code at the bench: with the passphrase only. */
  office?: boolean;
  params?: z.ZodObject;
  query?: z.ZodObject;
  status: 200 | 201;
}

export interface JsonEndpoint extends Common {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  body?: z.ZodType;
  /** The body is a file of one of these types, and no JSON. */
  takes?: { types: readonly string[]; mostBytes: number };
  reply: z.ZodType;
}

/** Answers with a paper, or with a stream that goes on. */
export interface StreamEndpoint extends Common {
  method: 'GET';
  body?: undefined;
  gives: 'application/json' | 'application/octet-stream' | 'application/pdf' | 'text/calendar' | 'text/csv' | 'text/event-stream';
}

/** One row of the contract. */
export type Endpoint = JsonEndpoint | StreamEndpoint;
