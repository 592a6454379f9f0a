import * as z from 'zod';
import type { Percentile } from '@gold-peg/craft/day';
import { FAMILIES } from '@gold-peg/craft/string-kinds';
import { JOB_STATES } from '../jobs/index.js';
import { STAGES } from '@gold-peg/craft/stages';
import { instant, uuid, version } from '../quantity/index.js';
import { STOCK_KINDS } from '../stock/index.js';

const DAY_MINUTES = 1440;
/** Here, not from the planner: what every page loads names no more of it than it needs. */
const PERCENTILES: readonly Percentile[] = [50, 60, 70, 80, 90];
const ofDay = z
  .int({ error: 'must be whole minutes of a day' })
  .min(0, { error: 'must be 0 or more' })
  .max(DAY_MINUTES, { error: 'must be 1440 at most: a day has no more minutes' });

const isZone = (zone: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
};

/** Hours of a weekday: from, until, minutes after midnight; between two lies a break. */
export const hoursOfDay = z
  .array(z.tuple([ofDay, ofDay]))
  .max(4, { error: 'must have four stretches at most' })
  .refine((stretches) => stretches.every(([from, until], nth) => from < until && from >= (stretches[nth - 1]?.[1] ?? 0)), {
    error: 'must follow one another, each ending after it begins',
  });

/** Monday first. */
const week = z.array(hoursOfDay).length(7, { error: 'must have seven days' });
const days = z.array(z.iso.date({ error: 'must be days such as 2026-12-25' })).max(400, { error: 'must be 400 days at most' });

/** What is known of somebody at the bench beside what holds for all. */
const ownHours = z.strictObject({
  personId: uuid,
  /** Null: as the house. */
  week: week.nullable(),
  away: days,
  /** Kinds that this person takes on; null for all. */
  can: z.array(z.enum(FAMILIES)).min(1, { error: 'must name a kind: who can do none is no technician' }).nullable(),
});
export type OwnHours = z.infer<typeof ownHours>;

/** When the house is open, who is there, and how it plans. */
export const houseHours = z.strictObject({
  zone: z.string().refine(isZone, { error: 'must be a time zone such as Europe/London' }),
  week,
  closed: days,
  people: z
    .array(ownHours)
    .max(50, { error: 'must be 50 people at most' })
    .refine((people) => new Set(people.map(({ personId }) => personId)).size === people.length, { error: 'must name everybody once' })
    .default([]),
  /** So many in a hundred jobs take no longer than is planned. */
  percentile: z.union(
    PERCENTILES.map((each) => z.literal(each)),
    { error: `must be one of ${PERCENTILES.join(', ')}` },
  ),
  /** Share of the bench that is kept free for the counter. */
  counterShare: z
    .number({ error: 'must be a number' })
    .min(0, { error: 'must be 0 or more' })
    .max(0.5, { error: 'must be 0.5 at most: a bench is for work' }),
  /** Strings that hold are looked at once more so many hours after the work; null where nobody asks for it. */
  looksAgainHours: z
    .int({ error: 'must be whole hours' })
    .min(1, { error: 'must be 1 or more' })
    .max(72, { error: 'must be 72 at most: nobody keeps an instrument longer for a look' })
    .nullable()
    .default(null),
});
export type HouseHours = z.infer<typeof houseHours>;

const weekday: [number, number][] = [
  [9 * 60, 12 * 60 + 15],
  [13 * 60, 17 * 60 + 30],
];
/** Of a house that said nothing yet: five days with a break at noon, and a morning. */
export const USUAL_HOURS: HouseHours = {
  zone: 'Europe/London',
  week: [weekday, weekday, weekday, weekday, weekday, [[9 * 60, 13 * 60]], []],
  closed: [],
  people: [],
  percentile: 70,
  counterShare: 0.1,
  looksAgainHours: null,
};

/** Where an operation lies: at a person's bench, from when. */
export const dayPlace = z.strictObject({ jobId: uuid, operation: z.string().min(1).max(40), personId: uuid, startAt: instant });
export type DayPlace = z.infer<typeof dayPlace>;

export const hoursChange = z.strictObject({ version, hours: houseHours });
/** Somebody is not there on a day, or is there after all. */
export const awayChange = z.strictObject({
  personId: uuid,
  day: z.iso.date({ error: 'must be a day such as 2026-12-25' }),
  away: z.boolean(),
});
export const pinChange = z.strictObject({
  jobId: uuid,
  operation: z.string().min(1).max(40),
  /** Null: it may lie anywhere again. */
  place: z.strictObject({ personId: uuid, startAt: instant }).nullable(),
});
export const planChange = z.strictObject({ version, operations: z.array(dayPlace).max(60 * 12, { error: 'must be 720 at most' }) });

const minute = z.int();
const operation = z.object({
  id: z.string(),
  minutes: z.int(),
  minutesP50: z.number(),
  minutesP90: z.number(),
  after: z.int(),
  same: z.boolean(),
});
const arrival = z.object({ p50: minute, p90: minute });
const part = z.object({ kind: z.enum(STOCK_KINDS), id: z.string(), name: z.string() });
const ofJob = { job: z.string(), operation: z.string(), person: z.string() };

export const dayJob = z.object({
  id: uuid,
  instrumentId: uuid,
  passport: z.int(),
  name: z.string(),
  ownerName: z.string().nullable(),
  reason: z.string(),
  state: z.enum(JOB_STATES),
  stage: z.enum(STAGES),
  promisedAt: z.string().nullable(),
  /** Its strings go on moving: it is tuned again before it goes home. */
  moves: z.boolean(),
  kind: z.string(),
  ready: minute,
  /** Until its parts are there, as planned, or its strings hung long enough; null where nothing is waited for. `arrives`: when parts may be there. */
  hold: minute.nullable(),
  /** Until when its strings hang under their pull, before it is begun; null where they do not. */
  hangs: minute.nullable(),
  arrives: arrival.nullable(),
  /** What it waits for. */
  waitsFor: z.array(part),
  due: minute,
  weight: z.int(),
  operations: z.array(operation),
});
export type DayJob = z.infer<typeof dayJob>;

/** A workshop as the planner sees it: all times whole minutes from `origin`. */
export const daySchema = z.object({
  origin: z.string(),
  now: minute,
  /** Of the plan in force and its pins. */
  version,
  hours: houseHours,
  /** How chances that are reckoned are to be taken, by what was kept of promises. */
  correction: z.object({ slope: z.number(), shift: z.number() }),
  /** When the house is open. */
  open: z.array(z.tuple([minute, minute])),
  /** Parts that jobs wait for and nobody ordered yet. */
  toOrder: z.array(part.extend({ amount: z.int() })),
  people: z.array(
    z.object({ id: uuid, name: z.string(), windows: z.array(z.tuple([minute, minute])), can: z.array(z.string()), overrun: minute }),
  ),
  jobs: z.array(dayJob),
  done: z.array(z.object({ ...ofJob, end: minute })),
  started: z.array(z.object({ ...ofJob, start: minute, minutesLeft: minute })),
  pinned: z.array(z.object({ ...ofJob, start: minute })),
  inForce: z.array(z.object({ ...ofJob, start: minute })),
});
export type Day = z.infer<typeof daySchema>;

/**
 * The day, and a job that is not taken in yet: what it would take, due when nobody knows; where its strings move, the same with a set that was hung up at once, and
 * with the set that moves least, if it moves less.
 */
export const askedSchema = z.object({
  day: daySchema,
  job: dayJob,
  hung: dayJob.nullable(),
  movesLess: z.object({ set: z.string(), job: dayJob }).nullable(),
});
export type AskedJob = z.infer<typeof askedSchema>;

/** A promise of a job that was handed over. */
export const keptPromise = z.object({
  jobId: uuid,
  instrumentId: uuid,
  passport: z.int(),
  name: z.string(),
  promisedAt: z.string(),
  /** What was said of it; null where nothing was. */
  chance: z.number().nullable(),
  /** What the plan held it for; null where nobody reckoned it. */
  planned: z.number().nullable(),
  /** When the last step before the hand-over was done. */
  readyAt: z.string(),
  /** Another hour was agreed on: the first was not kept. */
  moved: z.boolean(),
  kept: z.boolean(),
});
export type KeptPromise = z.infer<typeof keptPromise>;
export const keptSchema = z.object({ since: z.string(), promises: z.array(keptPromise) });

/** When instruments whose strings were left to move are to be tuned again, the next time of each. */
export const visitsSchema = z.object({
  visits: z.array(z.object({ jobId: uuid, passport: z.int(), name: z.string(), at: z.string() })),
});
export type Visits = z.infer<typeof visitsSchema>;
