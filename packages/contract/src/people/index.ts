import * as z from 'zod';
import { handMeasures, methodChoices, slackSchool } from '../methods/index.js';
import { newId, uuid, version, words } from '../quantity/index.js';

export const ROLES = ['owner', 'technician', 'counter'] as const;
export type Role = (typeof ROLES)[number];

export const SHORTEST_PASSPHRASE = 12;
const passphrase = z
  .string({ error: 'must be text' })
  .min(SHORTEST_PASSPHRASE, { error: `must have at least ${SHORTEST_PASSPHRASE} characters: three or four words are easy to keep in mind` })
  .max(200, { error: 'must have at most 200 characters' });

/** What each person sees numbers in. */
export const preferencesSchema = z.strictObject({
  lengths: z.enum(['mm', 'in']),
  pull: z.enum(['N', 'kgf', 'lbf']),
  slackMeasure: slackSchool,
  theme: z.enum(['paper', 'evening']),
  /** Headstock to the right: the picture turned by 180 degrees. */
  turned: z.boolean().default(false),
  /** The person's own hand; null until it has been measured. */
  hand: handMeasures.nullable().default(null),
  /** Whether strings that are to be tuned again are heard as well. */
  alarmSound: z.boolean().default(false),
  /** Ways of one's own where they differ from the house's. */
  methods: methodChoices.default({}),
});
export type Preferences = z.infer<typeof preferencesSchema>;
export const DEFAULT_PREFERENCES: Preferences = {
  lengths: 'mm',
  pull: 'N',
  slackMeasure: 'pull-back',
  theme: 'paper',
  turned: false,
  hand: null,
  alarmSound: false,
  methods: {},
};

/** Changed preferences, with the version of the person that was read. */
export const preferencesChange = z.strictObject({ version, preferences: preferencesSchema });

export const personSchema = z.object({
  id: uuid,
  name: z.string(),
  role: z.enum(ROLES),
  preferences: preferencesSchema,
  version: version.default(1),
});
export type Person = z.infer<typeof personSchema>;

export const sessionSchema = z.object({
  person: personSchema.nullable(),
  csrfToken: z.string(),
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
export const personDraft = z.strictObject({ id: newId, name: words('the name', 80), role: z.enum(ROLES), passphrase });
