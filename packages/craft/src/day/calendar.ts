import { costOf, type Bench, type Free, type Left } from './bench.js';
import type { Minute, Objective } from './model.js';

/** Where a free operation lies: which of its job, with whom, from when until when. */
export interface Spot {
  free: number;
  person: number;
  start: Minute;
  end: Minute;
}

/** Jobs put into the gaps of people, one after the other. A job is in it whole or not at all. */
export class Calendar {
  /** What is taken of each person, in the order of time. */
  private readonly taken: (readonly [Minute, Minute])[][];
  readonly spots: (readonly Spot[] | null)[];

  constructor(private readonly bench: Bench) {
    this.taken = bench.gaps.map(() => []);
    this.spots = bench.left.map(() => null);
  }

  copy(): Calendar {
    const other = new Calendar(this.bench);
    for (const [person, list] of this.taken.entries()) other.taken[person] = [...list];
    for (const [job, spots] of this.spots.entries()) other.spots[job] = spots;
    return other;
  }

  /** The earliest that so many minutes fit a person, not before `from`; infinity where they do not. */
  earliest(person: number, from: Minute, minutes: Minute): Minute {
    const taken = this.taken[person] ?? [];
    for (const [begins, ends] of this.bench.gaps[person] ?? []) {
      if (ends - Math.max(begins, from) < minutes) continue;
      let at = Math.max(begins, from);
      for (const [start, end] of taken) {
        if (end <= at) continue;
        if (start >= at + minutes) break;
        at = end;
      }
      if (at + minutes <= ends) return at;
    }
    return Infinity;
  }

  take(job: number, spots: readonly Spot[]): void {
    for (const { person, start, end, free } of spots) {
      if (this.bench.left[job]?.free[free]?.pin != null) continue; // a pin is cut out of the gaps already
      const list = this.taken[person] ?? [];
      const at = list.findIndex(([from]) => from > start);
      list.splice(at < 0 ? list.length : at, 0, [start, end]);
    }
    this.spots[job] = spots;
  }

  giveBack(job: number): void {
    for (const { person, start, free } of this.spots[job] ?? []) {
      if (this.bench.left[job]?.free[free]?.pin != null) continue;
      const list = this.taken[person] ?? [];
      const at = list.findIndex(([from]) => from === start);
      if (at >= 0) list.splice(at, 1);
    }
    this.spots[job] = null;
  }

  /** Where a whole job fits with what is there: every piece as early as it can, in the hand that ends it first; null where it does not. */
  bestFor(job: number): readonly Spot[] | null {
    const left = this.bench.left[job];
    if (left === undefined || left.never !== null) return null;
    const hands = left.hand === null && left.free.some(({ same }) => same) ? left.can : [left.hand];
    let best: { spots: Spot[]; end: number; flow: number } | null = null;
    for (const hand of hands) {
      const spots = this.chain(left, hand);
      if (spots === null) continue;
      const [end, flow] = [spots.at(-1)?.end ?? left.from, spots.reduce((sum, spot) => sum + spot.end, 0)];
      if (best === null || end < best.end || (end === best.end && flow < best.flow)) best = { spots, end, flow };
    }
    return best?.spots ?? null;
  }

  private chain(left: Left, hand: number | null): Spot[] | null {
    const spots: Spot[] = [];
    let end = left.from;
    for (const [index, free] of left.free.entries()) {
      const spot = this.spotFor(left, { free, index, hand, from: end + free.after }, spots);
      if (spot === null || spot.end > free.by) return null;
      spots.push(spot);
      end = spot.end;
    }
    return spots;
  }

  private spotFor(
    left: Left,
    { free, index, hand, from }: { free: Free; index: number; hand: number | null; from: Minute },
    before: readonly Spot[],
  ): Spot | null {
    if (free.pin !== null)
      return free.pin.start < from
        ? null
        : { free: index, person: free.pin.person, start: free.pin.start, end: free.pin.start + free.minutes };
    const people = free.same && hand !== null ? [hand] : left.can;
    let found: Spot | null = null;
    for (const person of people) {
      const start = this.earliest(person, Math.max(from, before.at(-1)?.end ?? 0), free.minutes);
      if (Number.isFinite(start) && (found === null || start < found.start))
        found = { free: index, person, start, end: start + free.minutes };
    }
    return found;
  }

  objective(): Objective {
    let [late, tardiness, flow] = [0, 0, 0];
    for (const [job, left] of this.bench.left.entries()) {
      const spots = this.spots[job] ?? null;
      const cost = spots === null ? left.leftOut : costOf(left, spots.at(-1)?.end ?? left.from);
      late += cost.late;
      tardiness += cost.tardiness;
      for (const { end } of spots ?? []) flow += end;
    }
    // what is pinned of a job that is left out, and what is started, lies in the answer all the same
    for (const { end } of this.bench.started) flow += end;
    for (const [job, left] of this.bench.left.entries()) {
      if (this.spots[job] !== null) continue;
      for (const { pin, minutes } of left.free) if (pin !== null) flow += pin.start + minutes;
    }
    return { late, tardiness, flow };
  }
}
