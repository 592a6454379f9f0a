import * as z from 'zod';

/** Farther than this no shop plans, minutes: some years. */
const FARTHEST = 4_000_000;
const minute = z
  .int({ error: 'must be a whole number of minutes' })
  .min(0, { error: 'must be 0 or more: minutes count from one origin' })
  .max(FARTHEST, { error: `must be ${FARTHEST} at most: no shop plans farther` });
const atLeastOne = z
  .int({ error: 'must be a whole number' })
  .min(1, { error: 'must be 1 or more' })
  .max(100_000, { error: 'must be 100000 at most' });
const id = z
  .string({ error: 'must be a word' })
  .min(1, { error: 'must not be empty' })
  .max(80, { error: 'must have at most 80 characters' });
const most = (count: number, what: string) => ({ error: `must hold ${count} ${what} at most` });

const operation = z.strictObject({
  id,
  minutes: atLeastOne,
  after: minute,
  same: z.boolean({ error: 'must be true or false' }),
  minutesP50: z.number().positive().optional(),
  minutesP90: z.number().positive().optional(),
});
const job = z.strictObject({
  id,
  ready: minute,
  due: minute,
  weight: atLeastOne,
  kind: id,
  hold: minute.nullable(),
  operations: z.array(operation).min(1, { error: 'must hold at least one' }).max(12, most(12, 'operations')),
});
const person = z.strictObject({
  id,
  windows: z.array(z.tuple([minute, minute], { error: 'must be a pair: from, until' })).max(200, most(200, 'windows')),
  can: z.array(id),
  overrun: minute.default(0),
});
const ofJob = { job: id, operation: id, person: id };

/** A rack to be planned: names carry no unit, all times are minutes. */
export const dayQuestion = z
  .strictObject({
    wish: z.enum(['plan'], { error: 'must be plan' }),
    now: minute,
    seed: z.int({ error: 'must be a whole number' }).default(1),
    timeLimitMs: z.number().min(1, { error: 'must be 1 or more' }).max(60_000, { error: 'must be 60000 at most' }).default(1000),
    iterations: atLeastOne.optional(),
    people: z.array(person).min(1, { error: 'must hold somebody' }).max(8, most(8, 'people')),
    jobs: z.array(job).max(60, most(60, 'jobs')),
    done: z.array(z.strictObject({ ...ofJob, end: minute })).default([]),
    started: z.array(z.strictObject({ ...ofJob, start: minute, minutesLeft: atLeastOne })).default([]),
    pinned: z.array(z.strictObject({ ...ofJob, start: minute })).default([]),
  })
  .readonly();

export const dayAnswer = z.object({
  operations: z.array(z.object({ ...ofJob, start: z.number(), end: z.number() })),
  unplanned: z.array(z.string()),
  reasons: z.record(z.string(), z.enum(['nobody-can', 'too-long', 'no-room', 'pin'])),
  objective: z.object({ late: z.number(), tardiness: z.number(), flow: z.number() }),
  bound: z.object({ late: z.number() }),
  proved: z.boolean(),
  iterations: z.number(),
});
