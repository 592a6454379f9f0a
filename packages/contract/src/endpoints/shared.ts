import * as z from 'zod';
import { uuid } from '../quantity/index.js';

export const byId = z.object({ id: uuid });
export const search = z.object({ search: z.string().max(80, { error: 'must have at most 80 characters' }).optional() });
/** Who works at a bench, and who works at the counter as well. */
export const bench = ['owner', 'technician'] as const;
export const front = ['owner', 'technician', 'counter'] as const;
export const done = z.object({ done: z.literal(true) });
