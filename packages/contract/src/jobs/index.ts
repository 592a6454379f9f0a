import * as z from 'zod';
import { STAGES } from '@gold-peg/craft/worksheet';
import { countedTurns, storedEvent } from '../bench-log/index.js';
import { methodChoices } from '../methods/index.js';
import { instant, longText, uuid } from '../quantity/index.js';
import { instrumentSummary, passportSchema } from '../register/index.js';

export const JOB_STATES = ['waiting', 'on-bench', 'handed-over'] as const;

export const jobDraft = z.strictObject({
  instrumentId: uuid,
  reason: longText(500),
  promisedAt: instant.nullable(),
});

export const jobSummary = z.object({
  id: uuid,
  state: z.enum(JOB_STATES),
  stage: z.enum(STAGES),
  reason: z.string(),
  takenInAt: z.string(),
  promisedAt: z.string().nullable(),
  setName: z.string().nullable(),
  instrument: instrumentSummary,
});
export type JobSummary = z.infer<typeof jobSummary>;

/** All that a bench needs to go on with a job while the server is away. */
export const worksheetSchema = z.object({
  job: jobSummary,
  passport: passportSchema,
  events: z.array(storedEvent),
  /** Ways of the house, in force where neither instrument nor technician chose. */
  house: methodChoices.default({}),
  /** Turns counted at this instrument by anybody, and anywhere by the person who asks. */
  evidence: z.array(countedTurns).default([]),
});
export type WorksheetFile = z.infer<typeof worksheetSchema>;
