import * as z from 'zod';
import { instant, passportNumber, uuid } from '../quantity/index.js';
import { EVENT_KINDS } from './event.js';

/** Which events are asked for: all that each of these, where it is given, lets through. */
export const logQuery = z.object({
  person: uuid.optional(),
  /** Passport of the instrument. */
  passport: passportNumber.optional(),
  kind: z.enum([...EVENT_KINDS] as [string, ...string[]], { error: 'must be a kind of event' }).optional(),
  /** When it was stored. */
  from: instant.optional(),
  to: instant.optional(),
});
export type LogQuery = z.infer<typeof logQuery>;

/** One event of the log, with whom and what it is about. */
export const logLine = z.object({
  seq: z.int(),
  storedAt: z.string(),
  person: z.string(),
  passport: z.int(),
  instrument: z.string(),
  jobId: uuid,
  kind: z.string(),
  /** Null where it is about no string alone. */
  string: z.int().nullable(),
  payload: z.record(z.string(), z.unknown()),
});
export type LogLine = z.infer<typeof logLine>;

/** The latest first. `next`: the place before which it goes on; null at its end. */
export const logPage = z.object({ lines: z.array(logLine), next: z.int().nullable() });
