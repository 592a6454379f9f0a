import { costOf, type Bench, type Left } from './bench.js';
import type { Minute, Objective } from './model.js';
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

/** Jobs put into the gaps of people, one after the other. A job is in it whole or not at all. */
export class Calendar {
  private readonly people: Stretch[];
  private readonly lying: (Lying | null)[];
  private late = 0;
  private tardiness = 0;
  private flow = 0;

  constructor(private readonly bench: Bench) {
    this.people = bench.gaps.map((gaps) => new Stretch(gaps));
    this.lying = bench.left.map(() => null);
    // what is pinned of a job that is left out, and what is started, lies in the answer all the same
    for (const { end } of bench.started) this.flow += end;
    for (const left of bench.left) this.add(left.leftOut, 1);
  }

  copy(): Calendar {
    const other = new Calendar(this.bench);
    for (const [person, stretch] of this.people.entries()) other.people[person] = stretch.copy();
    for (const [job, lying] of this.lying.entries()) other.lying[job] = lying;
    [other.late, other.tardiness, other.flow] = [this.late, this.tardiness, this.flow];
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
    return lying === null ? Infinity : (lying.spots.at(-1)?.end ?? this.bench.left[job]?.from ?? 0);
  }

  /** The earliest that so many minutes fit a person, not before `from`; infinity where they do not. */
  earliest(person: number, from: Minute, minutes: Minute): Minute {
    return this.people[person]?.earliest(from, minutes) ?? Infinity;
  }

  take(job: number, lying: Lying): void {
    const left = this.bench.left[job];
    if (left === undefined) return;
    for (const { person, start, end, free } of lying.spots) if (left.free[free]?.pin == null) this.people[person]?.take(start, end); // a pin is cut out of the gaps already
    this.lying[job] = lying;
    this.add(left.leftOut, -1);
    this.add(lying, 1);
  }

  giveBack(job: number): void {
    const [left, lying] = [this.bench.left[job], this.lying[job] ?? null];
    if (left === undefined || lying === null) return;
    for (const { person, start, free } of lying.spots) if (left.free[free]?.pin == null) this.people[person]?.giveBack(start);
    this.lying[job] = null;
    this.add(lying, -1);
    this.add(left.leftOut, 1);
  }

  /** Where a whole job fits with what is there: every piece as early as it can, in the hand that ends it first; null where it does not. */
  bestFor(job: number): Lying | null {
    const left = this.bench.left[job];
    if (left === undefined || left.never !== null) return null;
    const hands = left.hand === null && left.free.some(({ same }) => same) ? left.can : [left.hand];
    let best: { spots: Spot[]; end: number; flow: number } | null = null;
    for (const hand of hands) {
      const spots = this.chain(left, hand, best?.end ?? Infinity);
      if (spots === null) continue;
      const end = spots.at(-1)?.end ?? left.from;
      let flow = 0;
      for (const spot of spots) flow += spot.end;
      if (best === null || end < best.end || (end === best.end && flow < best.flow)) best = { spots, end, flow };
    }
    return best === null ? null : { spots: best.spots, ...costOf(left, best.end), flow: best.flow };
  }

  /** A job's pieces one after the other, ending by `by` at the latest. */
  private chain(left: Left, hand: number | null, by: Minute): Spot[] | null {
    const spots: Spot[] = [];
    let end = left.from;
    for (let index = 0; index < left.free.length; index++) {
      const spot = this.spotFor(left, index, hand, end);
      if (spot === null || spot.end > by) return null;
      spots.push(spot);
      end = spot.end;
    }
    return spots;
  }

  private spotFor(left: Left, index: number, hand: number | null, end: Minute): Spot | null {
    const free = left.free[index];
    if (free === undefined) return null;
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
    return found < 0 || begins + free.minutes > free.by ? null : { free: index, person: found, start: begins, end: begins + free.minutes };
  }

  private add({ late, tardiness, flow }: Objective, sign: 1 | -1): void {
    this.late += sign * late;
    this.tardiness += sign * tardiness;
    this.flow += sign * flow;
  }

  objective(): Objective {
    return { late: this.late, tardiness: this.tardiness, flow: this.flow };
  }
}
