import * as z from 'zod';
import { newId, uuid, words } from '../quantity/index.js';
import { passphrase, personSchema } from './person.js';

/** What a person is known by on a device at the bench, instead of a passphrase. */
export const SHORTEST_CODE = 4;
export const LONGEST_CODE = 8;
const DIGITS = '01234567890 09876543210';
export const shortCode = z
  .string({ error: 'must be text' })
  .regex(new RegExp(`^\\d{${SHORTEST_CODE},${LONGEST_CODE}}$`), { error: `must be ${SHORTEST_CODE} to ${LONGEST_CODE} digits` })
  .refine((code) => new Set(code).size > 2 && !DIGITS.includes(code), {
    error: 'must be harder to guess: more than two different digits, and not in the order of counting',
  });

/** A device at the bench that the owner has allowed, and who may sign in on it by code. */
export const benchSchema = z.object({ name: z.string(), people: z.array(z.object({ id: uuid, name: z.string() })) });

export const sessionSchema = z.object({
  person: personSchema.nullable(),
  csrfToken: z.string(),
  /** By a code at the bench: good for the bench, not for the office. */
  byCode: z.boolean().default(false),
  /** Where this device is allowed to be one of the bench; null elsewhere. */
  bench: benchSchema.nullable().default(null),
  /** In which the house keeps its hours. */
  zone: z.string().nullable().default(null),
  /** A demo prints its own made-up sign-in; a real house has none to show. */
  demoSignIn: z.object({ name: z.string(), passphrase: z.string() }).nullable(),
});
export type Session = z.infer<typeof sessionSchema>;

export const signIn = z.strictObject({
  name: words('your name', 80),
  passphrase: z
    .string({ error: 'must be text' })
    .min(1, { error: 'must not be empty' })
    .max(200, { error: 'must have at most 200 characters' }),
});
export const passphraseChange = z.strictObject({
  old: z.string({ error: 'must be text' }).max(200, { error: 'must have at most 200 characters' }),
  new: passphrase,
});

export const codeSignIn = z.strictObject({
  personId: uuid,
  code: z
    .string({ error: 'must be text' })
    .min(1, { error: 'must not be empty' })
    .max(LONGEST_CODE, { error: `must have at most ${LONGEST_CODE} digits` }),
});
/** One's own code; null takes it away. */
export const codeChange = z.strictObject({
  passphrase: z.string({ error: 'must be text' }).max(200, { error: 'must have at most 200 characters' }),
  code: shortCode.nullable(),
});

/** Where somebody is signed in. */
export const openSession = z.object({
  id: z.string(),
  person: z.object({ id: uuid, name: z.string() }),
  /** The browser and the system of the device, or the name of the bench it stands at. */
  device: z.string(),
  byCode: z.boolean(),
  since: z.iso.datetime(),
  seen: z.iso.datetime(),
  /** The one that asks. */
  own: z.boolean(),
});
export type OpenSession = z.infer<typeof openSession>;

export const deviceDraft = z.strictObject({ id: newId, name: words('what the device is called', 40) });
export const deviceSchema = z.object({ id: uuid, name: z.string(), allowedAt: z.iso.datetime(), here: z.boolean() });
export type BenchDevice = z.infer<typeof deviceSchema>;
