import type { Bench } from './bench.js';
import { asLying, Calendar, type Spot } from './calendar.js';
import { byLay, putIn } from './orders.js';
import { Stretch } from './stretch.js';

/**
 * The plan in force as it is: each operation holds the place where it lay, or as soon after that as it can. Then each job in its turn goes where it may, with all others where they are, as early as moves nobody; what
 * lay nowhere, or no longer can, looks for room so.
 */
export function asItLay(bench: Bench): Calendar {
  const calendar = new Calendar(bench);
  const places = placesHeld(bench);
  for (const [job, left] of bench.left.entries()) calendar.take(job, asLying(left, places[job] ?? []));
  for (const job of byLay(bench)) {
    calendar.giveBack(job);
    putIn(calendar, [job]);
  }
  return calendar;
}

/** Spots of each job where its operations lay, in that order, each pushed on by what is there before it. Whether a job may be there is not asked. */
function placesHeld({ left, gaps }: Bench): Spot[][] {
  const people = gaps.map((each) => new Stretch(each));
  const ends = left.map(({ from }) => from);
  const places = left.map((): Spot[] => []);
  const lying = left.flatMap(({ free }, job) =>
    free.flatMap((piece, index) => (piece.lay === null ? [] : { job, index, piece, lay: piece.lay })),
  );
  for (const { job, index, piece, lay } of lying.sort((a, b) => a.lay.start - b.lay.start)) {
    const { pin, minutes, after } = piece;
    const { person } = pin ?? lay;
    const from = Math.max((ends[job] ?? 0) + after, lay.start);
    const start = pin?.start ?? people[person]?.earliest(from, minutes) ?? Infinity;
    const end = start + minutes;
    ends[job] = end;
    if (end === Infinity) continue;
    if (pin === null) people[person]?.take(start, end);
    places[job]?.push({ free: index, person, start, end });
  }
  return places;
}
