import type { Job, Operation, Pinned, Rack } from './model.js';
import { pieceOf } from './piece.js';

/** What of a rack cannot be, by its field, and why. */
export interface RackFault {
  field: string;
  says: string;
}

/** The first thing that cannot be; null where all can. Shapes and ranges of numbers are checked before. */
export function rackFault(rack: Rack): RackFault | null {
  return (
    doubled('people', rack.people) ??
    doubled('jobs', rack.jobs) ??
    first(rack.jobs, ({ operations }, nth) => doubled(`jobs[${nth}].operations`, operations)) ??
    first(rack.people, ({ windows }, nth) => windowFault(`people[${nth}].windows`, windows)) ??
    first(['done', 'started', 'pinned'] as const, (list) =>
      first<OfJob>(rack[list], (each, nth) => unknownIn(rack, `${list}[${nth}]`, each)),
    ) ??
    fixedTwice(rack) ??
    first(rack.started, (each, nth) => startedFault(rack, each, nth)) ??
    first(rack.pinned, (each, nth) => {
      const fault = pinFault(rack, each);
      return fault === null ? null : { field: `pinned[${nth}].${FIELD[fault.why]}`, says: sayPin(fault, rack, each) };
    })
  );
}

function first<T>(list: readonly T[], fault: (each: T, nth: number) => RackFault | null): RackFault | null {
  for (const [nth, each] of list.entries()) {
    const found = fault(each, nth);
    if (found !== null) return found;
  }
  return null;
}

function doubled(field: string, list: readonly { id: string }[]): RackFault | null {
  const nth = list.findIndex(({ id }, at) => list.findIndex((other) => other.id === id) < at);
  return nth < 0 ? null : { field: `${field}[${nth}].id`, says: 'must be there once' };
}

function windowFault(field: string, windows: readonly (readonly [number, number])[]): RackFault | null {
  return first(windows, ([from, until], nth) => {
    if (from >= until) return { field: `${field}[${nth}]`, says: 'must end after it begins' };
    const over = windows.findIndex(([start, end], at) => at < nth && start < until && from < end);
    return over < 0 ? null : { field: `${field}[${nth}]`, says: `must not lie over the one before it, number ${over}` };
  });
}

type OfJob = Omit<Pinned, 'start'>;

function unknownIn({ jobs, people }: Rack, field: string, { job, operation, person }: OfJob): RackFault | null {
  if (!jobs.some(({ id }) => id === job)) return { field: `${field}.job`, says: 'must be a job of the rack' };
  if (pieceOf(jobs, { job, operation }) === null) return { field: `${field}.operation`, says: 'must be an operation of that job' };
  return people.some(({ id }) => id === person) ? null : { field: `${field}.person`, says: 'must be one of the people' };
}

function fixedTwice({ done, started, pinned }: Rack): RackFault | null {
  const all = [
    ...done.map((each, nth) => ({ ...each, field: `done[${nth}]` })),
    ...started.map((each, nth) => ({ ...each, field: `started[${nth}]` })),
    ...pinned.map((each, nth) => ({ ...each, field: `pinned[${nth}]` })),
  ];
  return first(all, ({ job, operation, field }, nth) => {
    const before = all.findIndex((other) => other.job === job && other.operation === operation);
    return before < nth ? { field: `${field}.operation`, says: 'must be done, started or pinned once' } : null;
  });
}

function startedFault({ jobs, done, started }: Rack, { job, operation }: Rack['started'][number], nth: number): RackFault | null {
  const operations = jobs.find(({ id }) => id === job)?.operations ?? [];
  const open = operations.find(
    ({ id }) => id === operation || ![...done, ...started].some((other) => other.job === job && other.operation === id),
  );
  return open === undefined || open.id === operation
    ? null
    : { field: `started[${nth}].operation`, says: `must come after ${open.id}, which is neither done nor started` };
}

/** Why a pin cannot lie where it is, with what a person needs to know to put it elsewhere. Minutes as in the rack, people and jobs by their ids. */
export type PinFault =
  | { why: 'before-now' }
  | { why: 'cannot' }
  | { why: 'hours'; minutes: number }
  | { why: 'busy'; job: string; from: number; until: number }
  | { why: 'one-hand'; person: string }
  | { why: 'chain'; earliest: number };

const FIELD: Readonly<Record<PinFault['why'], 'start' | 'person'>> = {
  'before-now': 'start',
  cannot: 'person',
  hours: 'start',
  busy: 'start',
  'one-hand': 'person',
  chain: 'start',
};

function sayPin(fault: PinFault, { now, jobs }: Rack, { job }: Pinned): string {
  switch (fault.why) {
    case 'before-now':
      return `must not be before now, ${now}`;
    case 'cannot':
      return `must be somebody who can do ${jobs.find(({ id }) => id === job)?.kind ?? ''}`;
    case 'hours':
      return 'must lie with all its minutes in one of the windows of its person';
    case 'busy':
      return 'must not lie over another pin or what is started';
    case 'one-hand':
      return 'must be the same as for the other operations of this job that stay in one hand';
    case 'chain':
      return 'must not be earlier than what comes before it in its job takes';
  }
}

/** @returns null where the pin can lie there, or is of what the rack has not. */
export function pinFault(rack: Rack, pin: Pinned): PinFault | null {
  const { jobs, people, now, started, pinned, done } = rack;
  const [piece, person] = [pieceOf(jobs, pin), people.find(({ id }) => id === pin.person)];
  if (piece === null || person === undefined) return null;
  const { job, operation } = piece;
  const { minutes } = operation;
  const end = pin.start + minutes;
  if (pin.start < now) return { why: 'before-now' };
  if (!person.can.includes(job.kind)) return { why: 'cannot' };
  if (!person.windows.some(([from, until]) => from <= pin.start && end <= until)) return { why: 'hours', minutes };
  const is = (each: OfJob) => each.job === pin.job && each.operation === pin.operation;
  const busy = [
    ...started.map((each) => ({ ...each, from: each.start, until: now + each.minutesLeft })),
    ...pinned
      .filter((each) => !is(each))
      .map((each) => ({ ...each, from: each.start, until: each.start + (pieceOf(jobs, each)?.operation.minutes ?? 0) })),
  ].find(({ person: id, from, until }) => id === pin.person && from < end && pin.start < until);
  if (busy !== undefined) return { why: 'busy', job: busy.job, from: busy.from, until: busy.until };
  const other = [...done, ...started, ...pinned].find(
    (each) => each.job === job.id && each.person !== pin.person && pieceOf([job], each)?.operation.same === true,
  );
  if (operation.same && other !== undefined) return { why: 'one-hand', person: other.person };
  const earliest = earliestOf(rack, job, operation);
  return pin.start < earliest ? { why: 'chain', earliest } : null;
}

/** When an operation can begin by the chain of its own job alone. */
function earliestOf({ now, done, started, pinned }: Rack, job: Job, operation: Operation): number {
  let end = Math.max(job.ready, job.hold ?? 0);
  for (const { id, minutes, after } of job.operations) {
    if (id === operation.id) return Math.max(now, end + after);
    const is = (each: { job: string; operation: string }) => each.job === job.id && each.operation === id;
    const [over, runs, pin] = [done.find(is), started.find(is), pinned.find(is)];
    if (over !== undefined) end = over.end;
    else if (runs !== undefined) end = now + runs.minutesLeft;
    else end = (pin === undefined ? Math.max(now, end + after) : Math.max(pin.start, now)) + minutes;
  }
  return end;
}
