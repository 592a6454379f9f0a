import * as z from 'zod';
import { instant, longText, newId, quantity, scaleMm, uuid, version, words } from '../quantity/index.js';
import { SCRAP_REASONS } from '@gold-peg/craft/stages';
import { TOOL_KINDS } from '@gold-peg/craft/tools';
import { found, loggedString, loggedTuning, measured, padsNoted, springsLearned } from '../bench-log/index.js';
import { methodChoices } from '../methods/index.js';
import { geometrySchema } from './geometry.js';

export const ownerDraft = z.strictObject({
  name: words("the owner's name", 80),
  contact: longText(200),
});
/** A new owner; in a file as well. */
export const newOwner = ownerDraft.extend({ id: newId });
export type OwnerRow = z.infer<typeof newOwner>;
export const ownerSchema = ownerDraft.extend({ id: uuid, version, instrumentCount: z.int() });
export type Owner = z.infer<typeof ownerSchema>;

export const setupSchema = z.object({
  jobId: uuid,
  setName: z.string(),
  only: z.object({ strings: z.array(z.int()), name: z.string() }).optional(),
  fittedAt: z.string(),
  fittedBy: z.string(),
  remark: z.string(),
  minutes: z.number().optional(),
  tuning: loggedTuning.optional(),
  scrapped: z.array(z.object({ string: z.int(), why: z.enum(SCRAP_REASONS) })).optional(),
  notes: z.array(z.string()),
  measurements: z.array(measured.safeExtend({ asItCame: z.boolean().optional() })),
  findings: z.array(found).optional(),
  looked: z.array(z.int()).optional(),
  pads: z.array(padsNoted).optional(),
  springs: springsLearned.optional(),
  sizes: z.array(z.object({ tool: z.enum(TOOL_KINDS), sizeMm: z.number() })).optional(),
  strings: z.array(
    loggedString.extend({
      string: z.int(),
      turns: z.number().nullable(),
      slackMm: z.number().nullable(),
      dropsCents: z.array(z.number()).optional(),
      fittedAt: z.string().optional(),
      setName: z.string().optional(),
    }),
  ),
});
export type PastSetup = z.infer<typeof setupSchema>;

export const instrumentSummary = z.object({
  id: uuid,
  passport: z.int(),
  name: z.string(),
  facts: z.string(),
  family: geometrySchema.shape.family,
  scaleMm: z.number(),
  stringCount: z.int(),
  ownerId: uuid.nullable(),
  ownerName: z.string().nullable(),
  currentSet: z.string().nullable(),
  fittedAt: z.string().nullable(),
  openJobId: uuid.nullable(),
});
export type InstrumentSummary = z.infer<typeof instrumentSummary>;

/** Lists are counted so far and no further: who sees that there are so many looks for something. */
export const MOST_COUNTED = 1000;
const counted = z.int().min(0).max(MOST_COUNTED);

/** What the register can be put in order by: passport, name, owner's name, and how long the strings have been on. */
export const registerOrder = z.enum(['passport', 'name', 'owner', 'strings']);
export const orderWay = z.enum(['asc', 'desc']);
export type RegisterOrder = z.infer<typeof registerOrder>;
export type OrderWay = z.infer<typeof orderWay>;

/** A page of the register. `next`: the passport after which it goes on; null at its end. `count`: how many are found in all. */
export const instrumentPage = z.object({ instruments: z.array(instrumentSummary), next: z.int().nullable(), count: counted });
export const ownerPage = z.object({ owners: z.array(ownerSchema), next: uuid.nullable(), count: counted });

/** How much an instrument is played, as its player said. */
export const playedHours = z.strictObject({
  weeklyHours: quantity({ from: 0, to: 100, unit: 'h', because: 'a week has 168 hours, and fingers rest' }),
  askedAt: instant,
});
export type PlayedHours = z.infer<typeof playedHours>;

export const passportSchema = instrumentSummary.extend({
  version,
  remark: z.string(),
  /** When it left the register; null while it is in it. */
  archivedAt: z.string().nullable().default(null),
  /** Null where nobody asked. */
  hours: playedHours.nullable().default(null),
  /** The kind that it was begun from. */
  archetypeId: z.string(),
  geometry: geometrySchema,
  /** Ways that hold for this instrument alone. */
  methods: methodChoices.default({}),
  current: setupSchema.nullable(),
  setups: z.array(setupSchema),
});
export type Passport = z.infer<typeof passportSchema>;

export const instrumentDraft = z.strictObject({
  id: newId,
  name: words('the name of the instrument', 80),
  archetypeId: z.string({ error: 'must be one of the kinds on the list' }).max(60),
  ownerId: uuid.nullable(),
  /** A left-handed instrument is the mirror image of its kind. */
  hand: geometrySchema.shape.hand,
  /** Measured scale length; the archetype's where left out. Per-string scales keep their proportions. */
  scaleMm: scaleMm.nullable(),
  /** What it is where that is more than its kind: a copy of another, or made from parts. It wins over hand and scale. */
  geometry: geometrySchema.optional(),
  remark: longText(2000),
});
export type InstrumentDraft = z.infer<typeof instrumentDraft>;

/** An instrument as it stands in a file: what it is and whose, without what its log says of it. */
export const filedInstrument = z.strictObject({
  id: newId,
  name: words('the name of the instrument', 80),
  archetypeId: z.string({ error: 'must be one of the kinds on the list' }).max(60),
  ownerId: uuid.nullable(),
  hours: playedHours.nullable(),
  remark: longText(2000),
  geometry: geometrySchema,
});
export type FiledInstrument = z.infer<typeof filedInstrument>;

export const instrumentChange = z.strictObject({
  version,
  name: words('the name of the instrument', 80),
  ownerId: uuid.nullable(),
  remark: longText(2000),
  /** They stay as they are where left out. */
  hours: playedHours.nullable().optional(),
});

/** Four times in five between low and high. */
const dates = z.object({ low: z.string(), likely: z.string(), high: z.string() });
/** An instrument that should come back, and why: the string that is worn first. */
export const dueEntry = z.object({
  instrument: instrumentSummary,
  contact: z.string(),
  due: dates,
  string: z.int(),
  ageDays: z.number(),
  /** Null where nobody asked how much it is played. */
  hours: playedHours.nullable(),
  /** Sets of this instrument that were lived to their end. */
  learnedFrom: z.int(),
  /** When its owner was told last; null where that never was. */
  toldAt: z.string().nullable(),
  /** What was found and left to be looked at again. */
  findings: z.array(found),
});
export type DueEntry = z.infer<typeof dueEntry>;
export const duePage = z.object({ entries: z.array(dueEntry), next: z.int().nullable() });

/** It leaves the register, or comes back into it. */
export const archiveChange = z.strictObject({ version, archived: z.boolean({ error: 'must be true or false' }) });
/** An instrument that is in the register twice: `into` keeps all that was done to either. */
export const instrumentMerge = z.strictObject({ version, into: uuid });
/** Typed once more, since it cannot be taken back. */
export const ownerRemoval = z.strictObject({
  version,
  name: z.string({ error: 'must be text' }).max(80, { error: 'must have at most 80 characters' }),
});
export const ownerRemoved = z.object({
  instruments: z.int(),
  messages: z.int(),
  /** Passports in whose texts somebody wrote that name by hand. */
  namedAt: z.array(z.int()),
});

/** An owner who is in the register twice: `into` keeps all instruments. */
export const ownerMerge = z.strictObject({ version, into: uuid });

export const geometryChange = z.strictObject({ version, geometry: geometrySchema });
export const methodsChange = z.strictObject({ version, methods: methodChoices });

/** Ways of the whole house. */
export const houseSchema = z.object({ version, methods: methodChoices });
export type House = z.infer<typeof houseSchema>;

/** So many instruments are named beside a tool. */
export const MOST_NAMED = 6;

/** A tool of a size that some instruments want, as it was noted when each was last set up. */
export const houseTool = z.object({
  tool: z.enum(TOOL_KINDS),
  sizeMm: z.number(),
  instruments: z.int(),
  /** The first of them. */
  at: z.array(z.object({ id: uuid, passport: z.int() })).max(MOST_NAMED),
});
export type HouseTool = z.infer<typeof houseTool>;
