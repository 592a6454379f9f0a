import type { Job, Pinned, Rack } from './model.js';

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
    first(rack.pinned, (each, nth) => pinFault(rack, each, `pinned[${nth}]`))
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

const operationOf = (job: Job | undefined, id: string) => job?.operations.findIndex((operation) => operation.id === id) ?? -1;

type OfJob = Omit<Pinned, 'start'>;

function unknownIn({ jobs, people }: Rack, field: string, { job, operation, person }: OfJob): RackFault | null {
  const found = jobs.find(({ id }) => id === job);
  if (found === undefined) return { field: `${field}.job`, says: 'must be a job of the rack' };
  if (operationOf(found, operation) < 0) return { field: `${field}.operation`, says: 'must be an operation of that job' };
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
  const found = jobs.find(({ id }) => id === job);
  const at = operationOf(found, operation);
  const open = found?.operations
    .slice(0, at)
    .find(({ id }) => ![...done, ...started].some((other) => other.job === job && other.operation === id));
  return open === undefined
    ? null
    : { field: `started[${nth}].operation`, says: `must come after ${open.id}, which is neither done nor started` };
}

function pinFault(rack: Rack, pin: Pinned, field: string): RackFault | null {
  const { jobs, people, now, started, pinned, done } = rack;
  const job = jobs.find(({ id }) => id === pin.job);
  const person = people.find(({ id }) => id === pin.person);
  const at = operationOf(job, pin.operation);
  const operation = job?.operations[at];
  if (job === undefined || person === undefined || operation === undefined) return null;
  const end = pin.start + operation.minutes;
  if (pin.start < now) return { field: `${field}.start`, says: `must not be before now, ${now}` };
  if (!person.can.includes(job.kind)) return { field: `${field}.person`, says: `must be somebody who can do ${job.kind}` };
  if (!person.windows.some(([from, until]) => from <= pin.start && end <= until))
    return { field: `${field}.start`, says: 'must lie with all its minutes in one of the windows of its person' };
  const busy = [
    ...started.map((each) => ({ ...each, from: each.start, until: now + each.minutesLeft })),
    ...pinned.filter((each) => each !== pin).map((each) => ({ ...each, from: each.start, until: each.start + minutesOf(jobs, each) })),
  ];
  if (busy.some(({ person: id, from, until }) => id === pin.person && from < end && pin.start < until))
    return { field: `${field}.start`, says: 'must not lie over another pin or what is started' };
  const hands = [...done, ...started, ...pinned].filter(
    (each) => each.job === job.id && (job.operations[operationOf(job, each.operation)]?.same ?? false),
  );
  if (operation.same && hands.some(({ person: id }) => id !== pin.person))
    return { field: `${field}.person`, says: 'must be the same as for the other operations of this job that stay in one hand' };
  return pin.start < earliestOf(rack, job, at)
    ? { field: `${field}.start`, says: 'must not be earlier than what comes before it in its job takes' }
    : null;
}

const minutesOf = (jobs: readonly Job[], { job, operation }: { job: string; operation: string }): number => {
  const found = jobs.find(({ id }) => id === job);
  return found?.operations[operationOf(found, operation)]?.minutes ?? 0;
};

/** When an operation can begin by the chain of its own job alone. */
function earliestOf({ now, done, started, pinned }: Rack, job: Job, at: number): number {
  let end = Math.max(job.ready, job.hold ?? 0);
  for (const [index, { id, minutes, after }] of job.operations.entries()) {
    if (index === at) return Math.max(now, end + after);
    const is = (each: { job: string; operation: string }) => each.job === job.id && each.operation === id;
    const [over, runs, pin] = [done.find(is), started.find(is), pinned.find(is)];
    if (over !== undefined) end = over.end;
    else if (runs !== undefined) end = now + runs.minutesLeft;
    else end = (pin === undefined ? Math.max(now, end + after) : Math.max(pin.start, now)) + minutes;
  }
  return end;
}
