import * as z from 'zod';
import { newId, uuid, version, words } from '../quantity/index.js';
import { passphrase, personSchema, ROLES } from './person.js';

/** Whether somebody works here, is locked out for now, or has left; their name stays in the history whatever it is. */
export const STANDINGS = ['works', 'locked', 'left'] as const;
export type Standing = (typeof STANDINGS)[number];

export const personDraft = z.strictObject({ id: newId, name: words('the name', 80), role: z.enum(ROLES), passphrase });

/** Somebody of the house, as its owner sees them. */
export const personOfHouse = personSchema.extend({
  standing: z.enum(STANDINGS),
  hasCode: z.boolean(),
  /** Devices on which they are signed in. */
  sessions: z.int(),
});
export type PersonOfHouse = z.infer<typeof personOfHouse>;

export const personChange = z.strictObject({ version, name: words('the name', 80), role: z.enum(ROLES), standing: z.enum(STANDINGS) });

/** A link that lets somebody choose a new passphrase, once; shown to the owner and kept nowhere. */
export const linkMade = z.object({ path: z.string(), until: z.iso.datetime() });
export const passphraseByLink = z.strictObject({
  token: z.string({ error: 'must be text' }).max(100, { error: 'must be the end of the link' }),
  new: passphrase,
});

/** What is written down of who did what, beside the log of the bench. */
export const ACT_KINDS = [
  'signed-in',
  'sign-in-failed',
  'too-often',
  'signed-out',
  'rights',
  'passphrase',
  'code',
  'sessions',
  'device',
  'ways',
  'hours',
  'export',
  'copy',
  'restore',
  'owner-data',
  'owner-removed',
  'sheet',
] as const;
export type ActKind = (typeof ACT_KINDS)[number];

export const actSchema = z.object({
  id: uuid,
  at: z.iso.datetime(),
  /** Null where nobody was signed in, or the house did it by itself. */
  person: z.object({ id: uuid, name: z.string() }).nullable(),
  kind: z.enum(ACT_KINDS),
  says: z.string(),
});
export type Act = z.infer<typeof actSchema>;
