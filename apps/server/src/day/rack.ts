import { In, Not, type DataSource } from 'typeorm';
import type { Day, DayJob, DayPlace } from '@gold-peg/contract/day';
import { BEGUN, correctionFrom, isVisit, plannedMinutes, rackFault, STAYS_WITHIN, RESTRING, type Minute } from '@gold-peg/craft/day';
import { FAMILIES } from '@gold-peg/craft/string-kinds';
import { openWorksheet } from '../jobs/index.js';
import { JobRow, PersonRow } from '../store/index.js';
import { atHand, type Known } from './at-hand.js';
import { timesOfHouse } from './house-pace.js';
import { readDay } from './hours.js';
import { keptPromises, plannedOf } from './kept.js';
import { partsOf } from './parts.js';
import { leftToOthers, rackJob, waitingOn } from './rack-job.js';
import { awayOn, midnightBefore, openWindows, windowsOf } from './windows.js';

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

/** The longest stretch in which somebody is there: work that is longer goes on in others. */
export const longestOf = (people: Day['people']): Minute =>
  Math.max(0, ...people.flatMap(({ windows }) => windows.map(([from, until]) => until - from)));

interface Begun {
  job: string;
  known: Known;
  person: string;
}

/** The workshop as the planner sees it at a moment. `askedBy`: who may see the worksheets. */
export async function rackOf(store: DataSource, at: Date, askedBy: string): Promise<Day> {
  const { hours, pinned, inForce, version } = await readDay(store);
  const origin = midnightBefore(at, DAYS_BACK, hours.zone);
  const minuteOf = (moment: Date) => Math.max(0, Math.round((moment.getTime() - origin.getTime()) / MINUTE_MS));
  const now = minuteOf(at);
  const span = { from: at, days: DAYS_AHEAD };
  const open = openWindows(hours, origin, span);
  const people = (await atTheBench(store)).map(({ id, name }) => ({
    ...{ id, name, windows: windowsOf(hours, id, origin, span), overrun: OVERRUN },
    can: [...(hours.people.find(({ personId }) => personId === id)?.can ?? FAMILIES)],
  }));
  const last = Math.max(now, ...open.map(([, until]) => until));
  const rows = await openJobs(store);
  const ids = rows.map(({ id }) => id);
  const [files, promised] = await Promise.all([Promise.all(ids.map((id) => openWorksheet(store, id, askedBy))), keptPromises(store, at)]);
  const correction = correctionFrom(plannedOf(promised));
  const times = await timesOfHouse(store, [...new Set(files.map(({ passport }) => passport.family))]);
  const longest = longestOf(people);
  const fits = (piece: Parameters<typeof plannedMinutes>[0]) => plannedMinutes(piece, hours) <= longest;
  const known = files.map((file) => ({ file, known: atHand(file, { times, fits, at }) }));
  const there = new Set(known.filter((each) => each.known.there).map(({ file }) => file.job.id));
  const { holds, toOrder } = await partsOf(store, { jobIds: ids, there }, { now, minuteOf });
  const hands = new Set(people.map(({ id }) => id));
  const begun = known.flatMap(({ file, known: job }): Begun[] => {
    if (job.hand === null) return [];
    return [{ job: file.job.id, known: job, person: hands.has(job.hand.personId) ? job.hand.personId : (people[0]?.id ?? '') }];
  });
  const away = awayOn(hours, at);
  const done = begun.map(({ job, known: { leftAt, hand }, person }) => ({
    ...{ job, operation: BEGUN, person },
    end: Math.min(now, minuteOf(leftAt ?? hand?.at ?? at)), // a device whose clock is ahead did it no later than now
  }));
  const jobs = known.map(({ file: { job: head, passport }, known: job }) => {
    const rackedJob = rackJob(passport, job, {
      ...{ id: head.id, reason: head.reason, state: head.state, stage: head.stage, promisedAt: head.promisedAt, hours, now },
      ready: minuteOf(new Date(head.takenInAt)),
      due: head.promisedAt === null ? last : minuteOf(new Date(head.promisedAt)),
      waits: holds.get(head.id) ?? null,
      hangs: job.hangsUntil === null ? null : minuteOf(job.hangsUntil),
    });
    const begunBy = done.find((each) => each.job === head.id);
    if (begunBy === undefined) return rackedJob;
    const goesOn = waitingOn(rackedJob, begunBy.end);
    return away.has(begunBy.person) ? leftToOthers(goesOn) : goesOn;
  });
  const lay = placesOf(inForce, { jobs, hands, minuteOf });
  const started = startedOf(
    begun.filter(({ person }) => !away.has(person)),
    { at, now, jobs, lay },
  );
  const rack = { origin: origin.toISOString(), now, version, hours, correction, open, people, jobs, toOrder, done, started };
  return {
    ...rack,
    pinned: standing(rack, placesOf(pinned, { jobs, hands, minuteOf })),
    inForce: lay.filter((each) => each.operation !== BEGUN && !isOverdue(rack, each)),
  };
}

/**
 * A look that lay later than its strings want it by now, since they were strung earlier than was planned: it is no longer in force.
 */
function isOverdue({ jobs, done }: Pick<Day, 'jobs' | 'done'>, { job, operation, start }: Day['inForce'][number]): boolean {
  const [own, left] = [jobs.find(({ id }) => id === job), done.find((each) => each.job === job)?.end];
  if (own === undefined || left === undefined || !isVisit(operation)) return false;
  let end = left;
  for (const { id, after, minutes } of own.operations.filter((each) => each.id !== BEGUN)) {
    if (!isVisit(id)) return false;
    if (id === operation) return start > end + after + STAYS_WITHIN;
    end += after + minutes;
  }
  return false;
}

/** Pins that can still be: hours go by, and change. */
function standing(rack: Omit<Day, 'pinned' | 'inForce'>, pinned: Day['pinned']): Day['pinned'] {
  return pinned.reduce<Day['pinned']>((kept, pin) => {
    const all = [...kept, pin];
    return rackFault({ ...rack, pinned: all }) === null ? all : kept;
  }, []);
}

const atTheBench = (store: DataSource) =>
  store
    .getRepository(PersonRow)
    .find({ where: { role: In(['owner', 'technician']), standing: 'works' }, order: { name: 'ASC' }, take: MOST_PEOPLE });

/** Whoever was promised first comes first. */
const openJobs = (store: DataSource) =>
  store.getRepository(JobRow).find({
    where: { state: Not('handed-over') },
    order: { promisedAt: { direction: 'ASC', nulls: 'LAST' }, takenInAt: 'ASC' },
    take: MOST_JOBS,
  });

/** Places as the planner takes them, of what is still there. */
function placesOf(
  places: readonly DayPlace[],
  { jobs, hands, minuteOf }: { jobs: readonly DayJob[]; hands: ReadonlySet<string>; minuteOf: (moment: Date) => Minute },
): Day['inForce'] {
  const isThere = ({ jobId, operation, personId }: DayPlace) =>
    hands.has(personId) && jobs.some(({ id, operations }) => id === jobId && operations.some((each) => each.id === operation));
  return places
    .filter(isThere)
    .map(({ jobId, operation, personId, startAt }) => ({ job: jobId, operation, person: personId, start: minuteOf(new Date(startAt)) }));
}

/** What everybody is at: the job of their latest step, unless it lies too far back. */
function startedOf(
  begun: readonly Begun[],
  { at, now, jobs, lay }: { at: Date; now: Minute; jobs: readonly DayJob[]; lay: Day['inForce'] },
): Day['started'] {
  const latest = ({ known: { hand } }: Begun) => hand?.at.getTime() ?? 0;
  const atIt = new Map<string, string>();
  for (const each of [...begun].sort((a, b) => latest(b) - latest(a)))
    if (at.getTime() - latest(each) <= AT_IT_MS && each.known.work.length > 0 && !atIt.has(each.person)) atIt.set(each.person, each.job);
  /** Work that goes on lies where it was planned to begin: it does not move with the hour. */
  const begunAt = (job: string, person: string) =>
    Math.min(now, lay.find((each) => each.job === job && each.operation === RESTRING && each.person === person)?.start ?? now);
  return jobs.flatMap(({ id, operations }) => {
    const person = [...atIt].find(([, job]) => job === id)?.[0];
    const minutesLeft = operations.find((each) => each.id === RESTRING)?.minutes;
    return person === undefined || minutesLeft === undefined
      ? []
      : [{ job: id, operation: RESTRING, person, start: begunAt(id, person), minutesLeft }];
  });
}
