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

const place = z.strictObject({ ...ofJob, start: minute });
const rack = {
  now: minute,
  seed: z.int({ error: 'must be a whole number' }).default(1),
  timeLimitMs: z.number().min(1, { error: 'must be 1 or more' }).max(60_000, { error: 'must be 60000 at most' }).default(1000),
  iterations: atLeastOne.optional(),
  people: z.array(person).min(1, { error: 'must hold somebody' }).max(8, most(8, 'people')),
  jobs: z.array(job).max(60, most(60, 'jobs')),
  done: z.array(z.strictObject({ ...ofJob, end: minute })).default([]),
  started: z.array(z.strictObject({ ...ofJob, start: minute, minutesLeft: atLeastOne })).default([]),
  pinned: z.array(place).default([]),
};
const inForce = z.array(place).max(60 * 12, most(60 * 12, 'operations'));
const draws = z
  .int({ error: 'must be a whole number' })
  .min(100, { error: 'must be 100 or more: fewer draws tell nothing' })
  .max(100_000, { error: 'must be 100000 at most' })
  .default(2000);

/** A rack and what is wished of it: names carry no unit, all times are minutes. */
export const dayQuestion = z
  .discriminatedUnion(
    'wish',
    [
      z.strictObject({ wish: z.literal('plan'), ...rack }),
      z.strictObject({ wish: z.literal('replan'), ...rack, inForce }),
      z.strictObject({ wish: z.literal('promise'), ...rack, draws, inForce: inForce.default([]) }),
      z.strictObject({
        wish: z.literal('insert'),
        ...rack,
        draws,
        inForce: inForce.default([]),
        job: job.extend({ due: minute.nullable() }),
      }),
      z.strictObject({ wish: z.literal('next'), ...rack, inForce: inForce.default([]) }),
    ],
    { error: 'must be plan, replan, promise, insert or next' },
  )
  .readonly();

const placed = z.object({ ...ofJob, start: z.number(), end: z.number() });
const reason = z.enum(['nobody-can', 'too-long', 'no-room', 'pin']);
const planned = {
  operations: z.array(placed),
  unplanned: z.array(z.string()),
  reasons: z.record(z.string(), reason),
  objective: z.object({ late: z.number(), tardiness: z.number(), moved: z.number().optional(), flow: z.number() }),
  bound: z.object({ late: z.number() }),
  proved: z.boolean(),
  iterations: z.number(),
};
const somewhere = z.object({ person: z.string(), start: z.number() });

export const dayAnswer = z.union([
  z.object({
    ...planned,
    moved: z.array(
      z.object({
        job: z.string(),
        operation: z.string(),
        from: somewhere,
        to: somewhere,
        why: z.enum(['no-hours', 'behind', 'taken', 'earlier', 'better']),
        by: z.object({ job: z.string(), operation: z.string() }).nullable(),
      }),
    ),
  }),
  z.object({
    ...planned,
    promises: z.array(z.object({ job: z.string(), p50: z.number().nullable(), p90: z.number().nullable(), onTime: z.number() })),
    draws: z.number(),
  }),
  z.object(planned),
  z.object({
    operations: z.array(placed),
    reason: reason.nullable(),
    notBefore: z.object({ settling: z.number().nullable(), work: z.number().nullable() }),
    p50: z.number().nullable(),
    p90: z.number().nullable(),
    wanted: z.object({ onTime: z.number(), late: z.array(z.string()), inTime: z.boolean(), first: z.number() }).nullable(),
  }),
  z.object({
    people: z.array(z.object({ person: z.string(), now: placed.nullable(), then: placed.nullable() })),
    visit: placed.nullable(),
    gap: z.number().nullable(),
    waiting: z.array(z.object({ job: z.string(), operation: z.string(), minutes: z.number(), fits: z.boolean() })),
  }),
]);
