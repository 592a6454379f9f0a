import type { Job, Minute, Placed, Plan, Rack } from './model.js';
import { pieceOf } from './piece.js';

export interface AtHand {
  person: string;
  /** What this person is at, or is to do now; null where nothing is due yet. */
  now: Placed | null;
  /** What comes then. */
  then: Placed | null;
}

export interface Next {
  people: readonly AtHand[];
  /** The next look at strings that were left to move, whoever takes it. */
  visit: Placed | null;
  /** Minutes that its person has until then; null where there is no visit. */
  gap: Minute | null;
  /** What waits and can be begun now by that person, and whether it fits the gap. */
  waiting: readonly { job: string; operation: string; minutes: Minute; fits: boolean }[];
}

/** What to do now, the next visit, and what fits into the gap until then. */
export function nextOf(rack: Rack, { operations }: Plan): Next {
  const { now, people, jobs, started } = rack;
  const atHand = people.map(({ id }) => {
    const own = operations.filter(({ person, end }) => person === id && end > now);
    const at = own.find(({ start }) => start <= now) ?? null;
    return { person: id, now: at, then: own.find((each) => each !== at) ?? null };
  });
  const visit = operations.find((placed) => placed.start > now && isVisit(jobs, placed)) ?? null;
  if (visit === null) return { people: atHand, visit, gap: null, waiting: [] };
  const running = started.filter(({ person }) => person === visit.person).map(({ minutesLeft }) => now + minutesLeft);
  const from = Math.max(now, ...running);
  const gap = Math.max(0, visit.start - from);
  const waiting = operations
    .filter((placed) => placed !== visit && placed.start >= now && canBegin(rack, placed, { person: visit.person, at: from }))
    .map(({ job, operation, start, end }) => ({ job, operation, minutes: end - start, fits: end - start <= gap }));
  return { people: atHand, visit, gap, waiting };
}

/** Strings were left to themselves before it. */
function isVisit(jobs: readonly Job[], placed: Placed): boolean {
  const piece = pieceOf(jobs, placed);
  return piece !== null && piece.before !== null && piece.operation.after > 0;
}

/** Whether this person could begin it at that time: it is their kind, in their hand, and what it waits for is over. */
function canBegin({ jobs, people, done, started, now }: Rack, placed: Placed, { person, at }: { person: string; at: Minute }): boolean {
  const piece = pieceOf(jobs, placed);
  if (piece === null) return false;
  const { job, operation, before } = piece;
  if (people.find(({ id }) => id === person)?.can.includes(job.kind) !== true) return false;
  const own = [...done, ...started].filter((each) => each.job === job.id);
  const sameHand = own.filter((each) => pieceOf([job], each)?.operation.same === true);
  if (operation.same && sameHand.some((each) => each.person !== person)) return false;
  if (before === null) return Math.max(job.ready, job.hold ?? 0) + operation.after <= at;
  const over = done.find((each) => each.job === job.id && each.operation === before.id)?.end;
  const runs = started.find((each) => each.job === job.id && each.operation === before.id);
  const end = over ?? (runs === undefined ? Infinity : now + runs.minutesLeft);
  return end + operation.after <= at;
}
