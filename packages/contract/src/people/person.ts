import * as z from 'zod';
import { handMeasures, methodChoices, slackSchool } from '../methods/index.js';
import { uuid, version } from '../quantity/index.js';

export const ROLES = ['owner', 'technician', 'counter'] as const;
export type Role = (typeof ROLES)[number];

export const SHORTEST_PASSPHRASE = 12;
export const passphrase = z
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
  /** Whether the owner of the house may see how one stands in Practice. */
  showsPractice: z.boolean().default(false),
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
  showsPractice: false,
};

/** Changed preferences, with the version of the person that was read. */
export const preferencesChange = z.strictObject({ version, preferences: preferencesSchema });

export const personSchema = z.object({
  id: uuid,
  name: z.string(),
  role: z.enum(ROLES),
  /** A newer server may know of more, which an older page hands back as it came. */
  preferences: preferencesSchema.loose(),
  version: version.default(1),
});
export type Person = z.infer<typeof personSchema>;
