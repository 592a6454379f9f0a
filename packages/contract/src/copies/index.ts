import * as z from 'zod';
import { uuid } from '../quantity/index.js';

/** When a copy is made by itself, by the clock of the house. */
export const NIGHTLY = { hour: 2, minute: 30 } as const;
/** Copies that are kept: the latest of so many nights, of so many weeks and of so many months. */
export const KEPT = { nights: 14, weeks: 8, months: 24 } as const;
/** Without one carried out for so long, fire and theft take all of them. */
export const CARRIED_DAYS = 7;

/** A copy of the whole house: written, read again, opened in an empty house and compared row by row. */
export const copySchema = z.object({
  id: uuid,
  madeAt: z.iso.datetime(),
  /** Null where the house made it by itself. */
  madeBy: z.string().nullable(),
  state: z.enum(['under-way', 'written', 'compared', 'failed']),
  /** What was wrong, where it failed or could not be opened. */
  says: z.string().nullable(),
  bytes: z.number().nullable(),
  instruments: z.int().nullable(),
  /** Lines of the log. */
  lines: z.int().nullable(),
  /** How long opening and comparing took. */
  seconds: z.number().nullable(),
  carriedAt: z.iso.datetime().nullable(),
});
export type Copy = z.infer<typeof copySchema>;

export const copiesSchema = z.object({
  /** Where this server lays them; null where it was given no place, and makes none. */
  folder: z.string().nullable(),
  /** When any was carried out last, whether it is kept here still or not. */
  carriedAt: z.iso.datetime().nullable(),
  copies: z.array(copySchema),
});
export type Copies = z.infer<typeof copiesSchema>;
