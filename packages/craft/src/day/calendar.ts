import { costOf, hasMoved, type Bench, type Free, type Left } from './bench.js';
import { STAYS_WITHIN, type Minute, type Objective } from './model.js';
import { Stretch } from './stretch.js';

/** Where a free operation lies: which of its job, with whom, from when until when. */
export interface Spot {
  free: number;
  person: number;
  start: Minute;
  end: Minute;
}

/** A job at its place: its spots, and what it adds to the objective there. */
export interface Lying extends Objective {
  spots: readonly Spot[];
}

/** The number of an operation in what is left of its job, in which hand that is, and when the one before it ends. */
interface Before {
  index: number;
  hand: number | null;
  end: Minute;
}

/** Jobs put into the gaps of people, one after the other. A job is in it whole or not at all. */
export class Calendar {
  private readonly people: Stretch[];
  private readonly lying: (Lying | null)[];
  private late = 0;
  private tardiness = 0;
  private moved = 0;
  private flow = 0;

  constructor(private readonly bench: Bench) {
    this.people = bench.gaps.map((gaps) => new Stretch(gaps));
    this.lying = bench.left.map(() => null);
    // what is pinned of a job that is left out, and what is started, lies in the answer all the same
    for (const { end } of bench.started) this.flow += end;
    this.moved += bench.startedMoved;
    for (const left of bench.left) this.add(left.leftOut, 1);
  }

  copy(): Calendar {
    const other = new Calendar(this.bench);
    for (const [person, stretch] of this.people.entries()) other.people[person] = stretch.copy();
    for (const [job, lying] of this.lying.entries()) other.lying[job] = lying;
    [other.late, other.tardiness, other.moved, other.flow] = [this.late, this.tardiness, this.moved, this.flow];
    return other;
  }

  spotsOf(job: number): readonly Spot[] | null {
    return this.lying[job]?.spots ?? null;
  }

  lyingOf(job: number): Lying | null {
    return this.lying[job] ?? null;
  }

  /** When the last piece of a job ends; infinity where it is left out. */
  endOf(job: number): Minute {
    const lying = this.lying[job] ?? null;
    return lying === null ? Infinity : endOf(this.left(job), lying.spots);
  }

  /** The earliest that so many minutes fit a person, not before `from`; infinity where they do not. */
  earliest(person: number, from: Minute, minutes: Minute): Minute {
    return this.people[person]?.earliest(from, minutes) ?? Infinity;
  }

  take(job: number, lying: Lying): void {
    const left = this.left(job);
    for (const { person, start, end, free } of lying.spots) if (isLoose(left, free)) this.people[person]?.take(start, end);
    this.lying[job] = lying;
    this.add(left.leftOut, -1);
    this.add(lying, 1);
  }

  giveBack(job: number): void {
    const [left, lying] = [this.left(job), this.lying[job] ?? null];
    if (lying === null) return;
    for (const { person, start, free } of lying.spots) if (isLoose(left, free)) this.people[person]?.giveBack(start);
    this.lying[job] = null;
    this.add(lying, -1);
    this.add(left.leftOut, 1);
  }

  /** Where a whole job fits with what is there: every piece as early as it can, in the hand that ends it first, or where it lay in the plan in force; null where it does not. */
  bestFor(job: number): Lying | null {
    const left = this.left(job);
    if (left.never !== null) return null;
    const hands = left.hand === null && left.free.some(({ same }) => same) ? left.can : [left.hand];
    let best: Lying | null = null;
    for (const hand of hands) best = better(best, this.lyingIn(left, hand, false));
    if (left.free.some(({ lay }) => lay !== null)) for (const hand of hands) best = better(best, this.lyingIn(left, hand, true));
    return best;
  }

  /** A job's pieces one after the other; `stays`: each waits for where it lay, if it can be there. */
  private lyingIn(left: Left, hand: number | null, stays: boolean): Lying | null {
    const spots: Spot[] = [];
    let end = left.from;
    for (const [index, free] of left.free.entries()) {
      const spot = (stays ? this.whereItLay(left, free, { index, hand, end }) : null) ?? this.spotFor(left, free, { index, hand, end });
      if (spot === null) return null;
      spots.push(spot);
      end = spot.end;
    }
    return asLying(left, spots);
  }

  private whereItLay(left: Left, free: Free, { index, hand, end }: Before): Spot | null {
    if (free.lay === null || free.pin !== null) return null;
    const { person, start: lay } = free.lay;
    if (free.same && hand !== null ? hand !== person : !left.can.includes(person)) return null;
    const start = this.earliest(person, Math.max(end + free.after, lay - STAYS_WITHIN), free.minutes);
    return start > lay + STAYS_WITHIN ? null : { free: index, person, start, end: start + free.minutes };
  }

  private spotFor(left: Left, free: Free, { index, hand, end }: Before): Spot | null {
    const from = end + free.after;
    if (free.pin !== null) {
      const { person, start } = free.pin;
      return start < from ? null : { free: index, person, start, end: start + free.minutes };
    }
    let [found, begins] = [-1, Infinity];
    for (const person of free.same && hand !== null ? [hand] : left.can) {
      const start = this.earliest(person, from, free.minutes);
      if (start >= begins) continue;
      found = person;
      begins = start;
    }
    return found < 0 ? null : { free: index, person: found, start: begins, end: begins + free.minutes };
  }

  private left(job: number): Left {
    return this.bench.left[job] as Left;
  }

  private add({ late, tardiness, moved, flow }: Objective, sign: 1 | -1): void {
    this.late += sign * late;
    this.tardiness += sign * tardiness;
    this.moved += sign * moved;
    this.flow += sign * flow;
  }

  objective(): Objective {
    return { late: this.late, tardiness: this.tardiness, moved: this.moved, flow: this.flow };
  }
}

/** A job in these spots, and what it adds to the objective there. */
export function asLying(left: Left, spots: readonly Spot[]): Lying {
  const moved = spots.filter(({ free, person, start }) => hasMoved((left.free[free] as Free).lay, person, start)).length;
  const flow = spots.reduce((sum, { end }) => sum + end, 0);
  return { spots, ...costOf(left, endOf(left, spots)), moved, flow };
}

/** When a job in these spots is over; where it needs none, when what is done of it was. */
const endOf = ({ from }: Left, spots: readonly Spot[]): Minute => spots.at(-1)?.end ?? from;

/** What is pinned is cut out of the gaps already. */
const isLoose = ({ free }: Left, index: number): boolean => (free[index] as Free).pin === null;

/** The one that ends first, where neither is late and none moved. */
function better(one: Lying | null, other: Lying | null): Lying | null {
  if (one === null || other === null) return one ?? other;
  const [a, b] = [one.spots.at(-1)?.end ?? 0, other.spots.at(-1)?.end ?? 0];
  return (one.late - other.late || one.tardiness - other.tardiness || one.moved - other.moved || a - b || one.flow - other.flow) <= 0
    ? one
    : other;
}
