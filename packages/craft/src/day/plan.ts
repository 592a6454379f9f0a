import { chanceFrom } from '../simulated/index.js';
import { benchOf, hasMoved, placedAt, type Bench } from './bench.js';
import { leastLate } from './bound.js';
import { Calendar, type Spot } from './calendar.js';
import { searchAll } from './exact.js';
import { improve } from './improve.js';
import { compare, type InForce, type Placed, type Plan, type Rack, type Reason } from './model.js';
import { byRules, putIn } from './orders.js';
import { asItLay } from './stay.js';

/** How long is planned: as many steps as that, or as long as `goesOn` says. With steps the same rack gives the same plan. */
export interface PlanningTime {
  seed: number;
  iterations: number | null;
  /** Whether there is time left; asked between steps where no number of them is given. */
  goesOn: () => boolean;
  /** Told of every better plan as it is found. */
  better?: (plan: Plan) => void;
}

export interface Planned extends Plan {
  /** No plan has less than that. */
  bound: { late: number };
  /** It is the best there is, in all three parts. */
  proved: boolean;
  iterations: number;
}

/** Racks with so many free operations are searched whole. */
const FEW = 22;
/** Tries of the other kind before it. */
const FIRST_TRIES = 100;
/** Steps of that search that count as one try of the other. */
const STEPS_PER_TRY = 40;
/** Larger ones are improved round after round, each from the best before it and longer: what was found in less time is found in more. */
const FIRST_ROUND = 4000;
const GROWTH = 1.5;
/** A clock is looked at once in so many steps. */
const CLOCK = 16;

/** A plan of a rack that `rackFault` finds nothing in, with as little as can be elsewhere than in the plan `inForce`. */
export function planDay(rack: Rack, { seed, iterations: asked, goesOn, better }: PlanningTime, inForce: readonly InForce[] = []): Planned {
  const bench = benchOf(rack, inForce);
  const late = leastLate(bench);
  const ways = [[...bench.left.keys()], ...byRules(bench)].map((order) => inOrder(bench, order));
  let begun = [asItLay(bench), ...ways].reduce((best, other) => (compare(other.objective(), best.objective()) < 0 ? other : best));
  better?.(asPlan(bench, begun));
  let steps = 0;
  const most = asked ?? Infinity;
  const isOver = () => steps >= most || (asked === null && !goesOn());
  const chance = chanceFrom(seed);
  const free = bench.left.reduce((sum, each) => sum + each.free.length, 0);
  if (free <= FEW) {
    // a good plan to begin with lets the search leave most ways early
    begun = improve(bench, begun, chance, rounds(FIRST_TRIES));
    let tries = 0;
    const exact = searchAll(bench, begun, () => {
      if (++tries % STEPS_PER_TRY === 0) steps++;
      return tries % CLOCK === 0 ? !isOver() : steps < most;
    });
    const plan = planOf(bench, exact.spots);
    return {
      ...plan,
      bound: { late: exact.finished ? plan.objective.late : late },
      proved: exact.finished,
      iterations: steps + 1,
    };
  }
  let best = begun;
  for (let length = FIRST_ROUND; !isOver(); length *= GROWTH) {
    const [round, before] = [rounds(length), steps];
    const spent = () => {
      if (steps % CLOCK === 0 ? isOver() : steps >= most) return 1;
      steps++;
      return round();
    };
    best = improve(bench, best, chance, spent, (found) => better?.(asPlan(bench, found)));
    // a single job is as early as it can be
    if (steps === before) break;
  }
  return { ...asPlan(bench, best), bound: { late }, proved: false, iterations: steps };
}

/** The plan in force as it is, with what has to give way to what happened since: each operation where it lay, or as soon after as it then can. */
export function stayedPlan(rack: Rack, inForce: readonly InForce[]): Plan {
  const bench = benchOf(rack, inForce);
  return asPlan(bench, asItLay(bench));
}

function inOrder(bench: Bench, order: readonly number[]): Calendar {
  const calendar = new Calendar(bench);
  putIn(calendar, order);
  return calendar;
}

/** Which share of so many steps is over, asked once before each. */
function rounds(length: number): () => number {
  let over = 0;
  return () => over++ / length;
}

const asPlan = (bench: Bench, calendar: Calendar): Plan => planOf(bench, spotsOf(bench, calendar));
const spotsOf = ({ left }: Bench, calendar: Calendar) => left.map((_, job) => calendar.spotsOf(job));

function planOf(bench: Bench, spots: readonly (readonly Spot[] | null)[]): Plan {
  const { rack, left, started } = bench;
  const operations: Placed[] = [...started];
  const unplanned: string[] = [];
  const reasons: Record<string, Reason> = {};
  let [late, tardiness, moved] = [0, 0, bench.startedMoved];
  for (const [nth, each] of left.entries()) {
    const { job, free, from } = each;
    const own = spots[nth] ?? null;
    if (own === null) {
      unplanned.push(job.id);
      reasons[job.id] = each.never ?? (free.some(({ pin }) => pin !== null) ? 'pin' : 'no-room');
      late += each.leftOut.late;
      tardiness += each.leftOut.tardiness;
      moved += each.leftOut.moved;
      for (const { at, pin, minutes } of free)
        if (pin !== null) operations.push(placedAt(rack, job, at, { ...pin, end: pin.start + minutes }));
      continue;
    }
    for (const { free: index, ...place } of own) {
      if (hasMoved(free[index]?.lay ?? null, place.person, place.start)) moved++;
      operations.push(placedAt(rack, job, free[index]?.at ?? 0, place));
    }
    const last = own.at(-1)?.end ?? from;
    late += last > job.due ? job.weight : 0;
    tardiness += job.weight * Math.max(0, last - job.due);
  }
  operations.sort((a, b) => a.start - b.start || a.end - b.end);
  return { operations, unplanned, reasons, objective: { late, tardiness, moved, flow: operations.reduce((sum, { end }) => sum + end, 0) } };
}
