import { STAYS_WITHIN, type InForce, type Job, type Minute, type Objective, type Placed, type Rack, type Reason } from './model.js';
import { pieceOf } from './piece.js';

export interface Place {
  person: number;
  start: Minute;
}

/** An operation that is still to be placed, of the job that `job` numbers. */
export interface Free {
  /** Its number in its job. */
  at: number;
  minutes: Minute;
  after: Minute;
  same: boolean;
  /** It stays there. */
  pin: Place | null;
  /** It lay there in the plan in force; null where it was in none. */
  lay: Place | null;
}

/** A job as the planner sees it: what is left of it, from when, and in which hand. */
export interface Left {
  job: Job;
  /** End of what is done or started of it; when it is ready where nothing is. */
  from: Minute;
  free: readonly Free[];
  /** Who has its operations that stay in one hand; null while nobody does. */
  hand: number | null;
  /** People who can do it. */
  can: readonly number[];
  /** Why it can be in no plan at all; null where it may. */
  never: Reason | null;
  /** What it is worth in an objective where it is left out. */
  leftOut: Objective;
}

/** A rack made ready for planning: numbers in place of names. */
export interface Bench {
  rack: Rack;
  left: readonly Left[];
  /** Stretches in which each person can work, those of pins and of what is started cut out. */
  gaps: readonly (readonly (readonly [Minute, Minute])[])[];
  /** What is started, which is in every plan, and how much of it lay elsewhere. */
  started: readonly Placed[];
  startedMoved: number;
}

/** Whether two places of an operation are with other people, or farther from one another than nobody minds. */
export const liesElsewhere = <P>(one: { person: P; start: Minute }, other: { person: P; start: Minute }): boolean =>
  one.person !== other.person || Math.abs(one.start - other.start) > STAYS_WITHIN;

/** Whether an operation lies elsewhere than it lay. */
export const hasMoved = (lay: Place | null, person: number, start: Minute): boolean =>
  lay !== null && liesElsewhere(lay, { person, start });

/** The operation of a job, by its number, as it is told of. */
export const placedAt = ({ people }: Rack, job: Job, at: number, { person, start, end }: Place & { end: Minute }): Placed => ({
  job: job.id,
  operation: job.operations[at]?.id ?? '',
  person: people[person]?.id ?? '',
  start,
  end,
});

/** `inForce`: the plan that is to be disturbed as little as can be; empty where there is none. */
export function benchOf(rack: Rack, inForce: readonly InForce[] = []): Bench {
  const { people, jobs, now } = rack;
  const started = rack.started.map(({ job, operation, person, start, minutesLeft }) => ({
    job,
    operation,
    person,
    start,
    end: now + minutesLeft,
  }));
  const pins = rack.pinned.map((pin) => {
    const minutes = pieceOf(jobs, pin)?.operation.minutes ?? 0;
    return { ...pin, end: pin.start + minutes };
  });
  const gaps = people.map(({ id, windows }) => {
    const busy = [...started, ...pins].filter(({ person }) => person === id);
    const whole = windows.map(([from, until]) => [Math.max(from, now), until] as const).filter(([from, until]) => from < until);
    return busy
      .reduce<(readonly [number, number])[]>(
        (free, { start, end }) =>
          free.flatMap(([from, until]) =>
            [[from, Math.min(until, start)] as const, [Math.max(from, end), until] as const].filter(([a, b]) => a < b),
          ),
        whole,
      )
      .sort(([a], [b]) => a - b);
  });
  const last = Math.max(now, ...people.flatMap(({ windows }) => windows.map(([, until]) => until)));
  const movedOf = (placed: Placed) =>
    inForce.filter((lay) => lay.job === placed.job && lay.operation === placed.operation && liesElsewhere(lay, placed));
  const startedMoved = started.flatMap(movedOf).length;
  return { rack, left: jobs.map((job) => leftOf(rack, job, { last, inForce })), gaps, started, startedMoved };
}

function leftOf(
  { people, now, done, started, pinned }: Rack,
  job: Job,
  { last, inForce }: { last: Minute; inForce: readonly InForce[] },
): Left {
  const personAt = (id: string) => people.findIndex((person) => person.id === id);
  const placeOf = (each: InForce | undefined): Place | null =>
    each === undefined ? null : { person: personAt(each.person), start: each.start };
  const free: Free[] = [];
  let [from, hand] = [Math.max(job.ready, job.hold ?? 0), null as number | null];
  for (const [at, operation] of job.operations.entries()) {
    const is = (each: { job: string; operation: string }) => each.job === job.id && each.operation === operation.id;
    const [over, runs, pin] = [done.find(is), started.find(is), pinned.find(is)];
    const fixed = over ?? runs ?? pin;
    if (fixed !== undefined && operation.same) hand = personAt(fixed.person);
    if (over !== undefined || runs !== undefined) {
      from = over?.end ?? now + (runs?.minutesLeft ?? 0);
      continue;
    }
    const { minutes, after, same } = operation;
    free.push({
      at,
      minutes,
      after,
      same,
      pin: placeOf(pin),
      lay: placeOf(inForce.find(is)),
    });
  }
  const can = people.flatMap((person, index) => (person.can.includes(job.kind) ? [index] : []));
  const all = free.reduce((sum, { minutes }) => sum + minutes, 0);
  const tardiness = job.weight * Math.max(0, last + all - job.due);
  const flow = free.reduce((sum, { pin, minutes }) => sum + (pin === null ? 0 : pin.start + minutes), 0);
  const moved = free.filter(({ pin, lay }) => pin !== null && hasMoved(lay, pin.person, pin.start)).length;
  const longest = (minutes: Minute) =>
    people.some(({ windows }, index) => can.includes(index) && windows.some(([a, b]) => b - a >= minutes));
  const tooLong = free.some(({ minutes, pin }) => pin === null && !longest(minutes));
  const never = free.length === 0 ? null : can.length === 0 ? 'nobody-can' : tooLong ? 'too-long' : null;
  return { job, from, free, hand, can, never, leftOut: { late: job.weight, tardiness, moved, flow } };
}

/** What a job adds to the objective once its last operation ended there; nothing is added for what was over before. */
export const costOf = ({ job }: Left, end: Minute): Pick<Objective, 'late' | 'tardiness'> => ({
  late: end > job.due ? job.weight : 0,
  tardiness: job.weight * Math.max(0, end - job.due),
});
