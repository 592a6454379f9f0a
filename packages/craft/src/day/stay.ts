import type { Bench, Free, Place } from './bench.js';
import { asLying, Calendar, type Spot } from './calendar.js';
import { byLay, putIn } from './improve.js';
import type { Minute } from './model.js';
import { Stretch } from './stretch.js';

/**
 * The plan in force as it is: each operation where it lay, or as soon after that as it can, and what was in none, or no longer fits, where there is room then. At last each job in its turn, with all others where they
 * are, as early as moves nobody.
 */
export function asItLay(bench: Bench): Calendar {
  const calendar = new Calendar(bench);
  const order = byLay(bench);
  for (const [job, spots] of pushed(bench).entries()) {
    const left = bench.left[job];
    if (left !== undefined && spots !== null) calendar.take(job, asLying(left, spots));
  }
  const open = order.filter((job) => calendar.spotsOf(job) === null);
  putIn(calendar, open);
  for (const job of order) {
    calendar.giveBack(job);
    putIn(calendar, [job]);
  }
  return calendar;
}

/** Spots of each job where its operations lay, one after the other in that order, each pushed on by what is there before it; null where one was in no plan or cannot follow. */
function pushed({ left, gaps }: Bench): (readonly Spot[] | null)[] {
  const people = gaps.map((each) => new Stretch(each));
  const jobs = left.map(({ from, hand, never }) => ({ end: from, hand, spots: never === null ? ([] as Spot[]) : null }));
  const pieces = left.flatMap(({ free, can }, job) => free.map((piece, index) => ({ job, index, piece, can, at: piece.pin ?? piece.lay })));
  pieces.sort((a, b) => (a.at?.start ?? Infinity) - (b.at?.start ?? Infinity) || a.job - b.job || a.index - b.index);
  for (const { job, index, piece, can, at } of pieces) {
    const own = jobs[job];
    if (own === undefined || own.spots === null) continue;
    const inHand = at !== null && can.includes(at.person) && (!piece.same || own.hand === null || own.hand === at.person);
    const start = inHand && own.spots.length === index ? startOf(piece, at, own.end + piece.after, people[at.person]) : Infinity;
    const end = start + piece.minutes;
    if (at === null || start === Infinity || end > piece.by) {
      own.spots = null;
      continue;
    }
    if (piece.pin === null) people[at.person]?.take(start, end);
    if (piece.same) own.hand = at.person;
    own.end = end;
    own.spots.push({ free: index, person: at.person, start, end });
  }
  return jobs.map(({ spots }) => spots);
}

function startOf({ pin, minutes }: Free, at: Place, from: Minute, person: Stretch | undefined): Minute {
  if (pin !== null) return at.start < from ? Infinity : at.start;
  return person?.earliest(Math.max(from, at.start), minutes) ?? Infinity;
}
