import * as z from 'zod';
import { uuid } from '../quantity/index.js';

export const byId = z.object({ id: uuid });
/** A page of a list: what is looked for, after what was read last. */
export const page = {
  search: z.string().max(80, { error: 'must have at most 80 characters' }).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(60),
};
/** Who works at a bench, and who works at the counter as well. */
export const bench = ['owner', 'technician'] as const;
export const front = ['owner', 'technician', 'counter'] as const;
export const done = z.object({ done: z.literal(true) });
