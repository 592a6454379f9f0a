import { In, Not } from 'typeorm';
import type { DataSource } from 'typeorm';
import { USUAL_HOURS, type AskedJob, type Day, type DayJob, type DayPlace, type HouseHours } from '@gold-peg/contract/day';
import type { Passport } from '@gold-peg/contract/register';
import { BEGUN, operationsOf, RESTRING } from '@gold-peg/craft/day';
import { timesFor } from '../bench-log/index.js';
import { readHouse } from '../house/index.js';
import { openWorksheet } from '../jobs/index.js';
import { readPassport } from '../register/index.js';
import { DayRow, JobRow, PersonRow } from '../store/index.js';
import { atHand, type Known } from './at-hand.js';
import { midnightBefore, openWindows } from './windows.js';

const MINUTE_MS = 60_000;
/** So far back lies the origin: nothing that counts was done before it. */
const DAYS_BACK = 60;
/** So far ahead is planned. */
const DAYS_AHEAD = 16;
/** Most that a planner takes. */
const MOST_JOBS = 60;
const MOST_PEOPLE = 8;
/** People finish what they are at. */
const OVERRUN = 15;
/** Somebody is at it as long as the last step lies no farther back, ms. */
const AT_IT_MS = 30 * MINUTE_MS;
export const THE_DAY = 1;
/** The plan is one for the house: it does not hang on the pace of whoever asks. */
const NOBODY = '00000000-0000-0000-0000-000000000000';

/** What the house said of its day; the usual hours where it said nothing yet. */
export async function readDay(store: DataSource): Promise<Omit<DayRow, 'id' | 'hours'> & { hours: NonNullable<DayRow['hours']> }> {
  const row = await store.getRepository(DayRow).findOneBy({ id: THE_DAY });
  return { hours: row?.hours ?? USUAL_HOURS, pinned: row?.pinned ?? [], inForce: row?.inForce ?? [], version: row?.version ?? 1 };
}

/** A job as the planner takes it. */
function jobOf(
  passport: Passport,
  known: Known,
  told: Pick<DayJob, 'id' | 'reason' | 'state' | 'stage' | 'promisedAt' | 'ready' | 'due'> & { hours: HouseHours },
): DayJob {
  const { hours, ...rest } = told;
  const operations = operationsOf(known, hours).map(({ minutesP50, minutesP90, ...each }) => ({
    ...each,
    minutesP50: minutesP50 ?? each.minutes,
    minutesP90: minutesP90 ?? each.minutes,
  }));
  return {
    ...rest,
    ...{ instrumentId: passport.id, passport: passport.passport, name: passport.name, ownerName: passport.ownerName },
    ...{ moves: known.moves !== null, kind: passport.family, hold: null, weight: 1, operations },
  };
}

/** What an instrument would take if it was taken in now, beside the day as it is. */
export async function askedFor(
  store: DataSource,
  at: Date,
  { askedBy, instrumentId }: { askedBy: string; instrumentId: string },
): Promise<AskedJob> {
  const [day, passport, { methods }] = await Promise.all([rackOf(store, at, askedBy), readPassport(store, instrumentId), readHouse(store)]);
  const times = await timesFor(store, NOBODY, [passport.family]);
  const known = atHand({ passport, events: [], house: methods }, times);
  const job = jobOf(passport, known, {
    ...{ id: passport.id, reason: '', state: 'waiting', stage: 'choose', promisedAt: null, ready: day.now, hours: day.hours },
    due: Math.max(day.now, ...day.people.flatMap(({ windows }) => windows.map(([, until]) => until))),
  });
  const people = day.people.map((person) => ({ ...person, can: [...new Set([...person.can, job.kind])] }));
  return { day: { ...day, people }, job };
}

/** The workshop as the planner sees it at a moment. `askedBy`: who may see the worksheets. */
export async function rackOf(store: DataSource, at: Date, askedBy: string): Promise<Day> {
  const { hours, pinned, inForce, version } = await readDay(store);
  const origin = midnightBefore(at, DAYS_BACK, hours.zone);
  const minuteOf = (moment: Date) => Math.max(0, Math.round((moment.getTime() - origin.getTime()) / MINUTE_MS));
  const now = minuteOf(at);
  const [people, rows] = await Promise.all([
    store.getRepository(PersonRow).find({ where: { role: In(['owner', 'technician']) }, order: { name: 'ASC' }, take: MOST_PEOPLE }),
    store.getRepository(JobRow).find({
      where: { state: Not('handed-over') },
      order: { promisedAt: { direction: 'ASC', nulls: 'LAST' }, takenInAt: 'ASC' },
      take: MOST_JOBS,
    }),
  ]);
  const windows = openWindows(hours, origin, { from: at, days: DAYS_AHEAD });
  const last = Math.max(now, ...windows.map(([, until]) => until));
  const files = await Promise.all(rows.map(({ id }) => openWorksheet(store, id, askedBy)));
  const families = [...new Set(files.map(({ passport }) => passport.family))];
  const times = await timesFor(store, NOBODY, families);
  const known = files.map((file) => ({ file, known: atHand(file, times) }));
  const jobs = known.map(({ file: { job: head, passport }, known: job }) =>
    jobOf(passport, job, {
      ...{ id: head.id, reason: head.reason, state: head.state, stage: head.stage, promisedAt: head.promisedAt, hours },
      ready: minuteOf(new Date(head.takenInAt)),
      due: head.promisedAt === null ? last : minuteOf(new Date(head.promisedAt)),
    }),
  );
  const hands = new Set(people.map(({ id }) => id));
  const handOf = ({ hand }: Known) => (hand !== null && hands.has(hand.personId) ? hand.personId : (people[0]?.id ?? ''));
  const begun = known.filter(({ known: { hand } }) => hand !== null);
  const atIt = new Map<string, string>();
  for (const { file, known: job } of [...begun].sort((a, b) => (b.known.hand?.at.getTime() ?? 0) - (a.known.hand?.at.getTime() ?? 0))) {
    const person = handOf(job);
    const recent = at.getTime() - (job.hand?.at.getTime() ?? 0) <= AT_IT_MS;
    if (recent && job.work !== null && !atIt.has(person)) atIt.set(person, file.job.id);
  }
  const kinds = [...new Set(jobs.map(({ kind }) => kind))];
  const is = (places: readonly DayPlace[]) =>
    places
      .filter(
        ({ jobId, operation, personId }) =>
          hands.has(personId) && jobs.some(({ id, operations }) => id === jobId && operations.some((each) => each.id === operation)),
      )
      .map(({ jobId, operation, personId, startAt }) => ({ job: jobId, operation, person: personId, start: minuteOf(new Date(startAt)) }));
  const lay = is(inForce);
  /** Work that goes on lies where it was planned to begin: it does not move with the hour. */
  const begunAt = (job: string, person: string) =>
    Math.min(now, lay.find((each) => each.job === job && each.operation === RESTRING && each.person === person)?.start ?? now);
  const startedOf = jobs.flatMap(({ id, operations }) => {
    const person = [...atIt].find(([, job]) => job === id)?.[0];
    const minutesLeft = operations.find((each) => each.id === RESTRING)?.minutes;
    return person === undefined || minutesLeft === undefined
      ? []
      : [{ job: id, operation: RESTRING, person, start: begunAt(id, person), minutesLeft }];
  });
  return {
    origin: origin.toISOString(),
    now,
    version,
    hours,
    people: people.map(({ id, name }) => ({ id, name, windows, can: kinds, overrun: OVERRUN })),
    jobs,
    done: begun.map(({ file, known: job }) => ({
      job: file.job.id,
      operation: BEGUN,
      person: handOf(job),
      end: minuteOf(job.leftAt ?? job.hand?.at ?? at),
    })),
    started: startedOf,
    pinned: is(pinned).filter(
      ({ job, operation, start }) => start >= now && !startedOf.some((each) => each.job === job && each.operation === operation),
    ),
    inForce: lay.filter(({ operation }) => operation !== BEGUN),
  };
}
