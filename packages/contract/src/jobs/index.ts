import * as z from 'zod';
import { STAGES } from '@gold-peg/craft/stages';
import type { CountedTurns } from '@gold-peg/craft/calibration';
import type { TimedStage } from '@gold-peg/craft/day';
import { FAMILIES } from '@gold-peg/craft/string-kinds';
import { countedTurns, storedEvent, toCountedTurns } from '../bench-log/index.js';
import { methodChoices } from '../methods/index.js';
import { instant, longText, newId, uuid, version } from '../quantity/index.js';
import { instrumentSummary, passportSchema } from '../register/index.js';

export const JOB_STATES = ['waiting', 'on-bench', 'handed-over'] as const;

/** What a stage took in a job that was handed over. */
export const timedStage: z.ZodType<TimedStage> = z.object({
  personId: uuid,
  family: z.enum(FAMILIES),
  stringCount: z.int(),
  stage: z.enum(STAGES),
  minutes: z.number(),
});

/** A chance of a promise; null where nobody reckoned it. */
const chance = z
  .number({ error: 'must be a number' })
  .min(0, { error: 'must be 0 or more' })
  .max(1, { error: 'must be 1 at most: nothing is more than certain' })
  .nullable()
  .default(null);

const chances = {
  /** What was said of it. */
  promisedChance: chance,
  /** What the plan held it for, before that was corrected by what was kept. */
  plannedChance: chance,
};

export const jobDraft = z.strictObject({
  id: newId,
  instrumentId: uuid,
  reason: longText(500),
  promisedAt: instant.nullable(),
  ...chances,
});

/** Another hour that was agreed on. `from`: the one that it takes the place of. */
export const promiseMove = z.strictObject({ from: instant.nullable(), promisedAt: instant, ...chances });

export const jobSummary = z.object({
  id: uuid,
  state: z.enum(JOB_STATES),
  stage: z.enum(STAGES),
  reason: z.string(),
  takenInAt: z.string(),
  promisedAt: z.string().nullable(),
  setName: z.string().nullable(),
  /** Bench minutes that it is expected to take whoever asks, and how many jobs alike of theirs that rests on; 0 where nothing is known. */
  attendedMinutes: z.number().default(0),
  learnedFrom: z.int().default(0),
  instrument: instrumentSummary,
});
export type JobSummary = z.infer<typeof jobSummary>;

/** All that a bench needs to go on with a job while the server is away. */
export const worksheetSchema = z.object({
  job: jobSummary,
  passport: passportSchema,
  events: z.array(storedEvent),
  /** The log goes on after these. */
  more: z.boolean().default(false),
  /** Who did what the events tell. */
  people: z.array(z.object({ id: uuid, name: z.string() })).default([]),
  /** Ways of the house, in force where neither instrument nor technician chose. */
  house: methodChoices.default({}),
  houseVersion: version.default(1),
  /** Turns counted at this instrument by anybody, and anywhere by the person who asks. */
  evidence: z.array(countedTurns).default([]),
  /** What stages took the person who asks, and anybody with this kind: newest first. */
  times: z.array(timedStage).default([]),
});
export type WorksheetFile = z.infer<typeof worksheetSchema>;

/**
 * Counts as the calibration takes them. Those at this instrument are held against its posts as they are noted now: once a post was measured, what older counts
 * said of it must not be added to the measure again.
 */
export function evidenceOf({ passport, evidence }: Pick<WorksheetFile, 'passport' | 'evidence'>): CountedTurns[] {
  return evidence.map((row) => {
    const noted = row.instrumentId === passport.id ? passport.geometry.strings[row.string - 1]?.post.diameterMm : undefined;
    return toCountedTurns(noted === undefined ? row : { ...row, postDiameterMm: noted });
  });
}
