import type { Option } from './candidates.js';
import type { Wish } from './wish.js';

/** One option as the search sees it. `own` is what it costs by itself, weighted; `level` the logarithm of its pull. */
export interface Scored {
  option: number;
  own: number;
  level: number;
  pull: number;
}

/** Sums over the strings chosen so far. */
export interface Sums {
  own: number;
  weight: number;
  level: number;
  square: number;
  pull: number;
}
export const NOTHING_YET: Sums = { own: 0, weight: 0, level: 0, square: 0, pull: 0 };

/** What a wish makes of each option, and the least that a beginning of choices can still come to. */
export interface Score {
  seats: Scored[][];
  /** Seats in the order in which they are chosen for: those that are free come last, and take what is left. */
  order: readonly number[];
  /** Whatever stands in this seat costs the same. */
  isFree(seat: number): boolean;
  add(sums: Sums, seat: number, scored: Scored): Sums;
  /** Never above the cost of any completion once so many seats of the order are chosen for; the cost itself when all are. */
  bound(sums: Sums, depth: number): number;
  /** Never above the bound, and never falls along the walk through a seat: the walk ends where it is too much. */
  floor(sums: Sums, depth: number): number;
  /** The level the walk through the next seat goes outward from; null where seats are sorted by what each option costs by itself. */
  centre: ((sums: Sums) => number) | null;
}

const square = (value: number) => value * value;

export function scoreOf(wish: Wish, weights: readonly number[], options: readonly (readonly Option[])[]): Score {
  const seats = options.map((list, seat) => sorted(wish, list, seat, options.length, weights[seat] ?? 1));
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  // of a total a string without weight still bears its share
  const isFree = (seat: number) => (weights[seat] ?? 1) === 0 && (wish.kind !== 'total' || all === 0);
  const order = [false, true].flatMap((free) => [...seats.keys()].filter((seat) => isFree(seat) === free));
  const rest = (pick: (list: readonly Scored[]) => number) => {
    const sums = [0];
    for (const seat of [...order].reverse()) sums.unshift((sums[0] as number) + pick(seats[seat] as Scored[]));
    return sums;
  };
  const add = (sums: Sums, seat: number, { own, level, pull }: Scored): Sums => {
    const weight = weights[seat] ?? 1;
    return {
      own: sums.own + own,
      weight: sums.weight + weight,
      level: sums.level + weight * level,
      square: sums.square + weight * level * level,
      pull: sums.pull + pull,
    };
  };
  if (wish.kind === 'equal-pull' && wish.pull === null) {
    // the weighted spread of those chosen: more strings never make it less
    const bound = ({ weight, level, square: squares }: Sums) => (weight === 0 ? 0 : Math.max(0, squares - (level * level) / weight));
    return { seats, order, isFree, add, bound, floor: bound, centre: ({ weight, level }) => (weight === 0 ? 0 : level / weight) };
  }
  const least = rest((list) => Math.min(...list.map(({ own }) => own)));
  const floor = (sums: Sums, depth: number) => sums.own + (least[depth] ?? 0);
  if (wish.kind !== 'total') return { seats, order, isFree, add, bound: floor, floor, centre: null };
  const lowest = rest((list) => Math.min(...list.map(({ pull }) => pull)));
  const highest = rest((list) => Math.max(...list.map(({ pull }) => pull)));
  // the total counts as much as all strings together
  const bound = (sums: Sums, depth: number) => {
    const from = sums.pull + (lowest[depth] ?? 0);
    const to = sums.pull + (highest[depth] ?? 0);
    const off = wish.total < from ? Math.log(from / wish.total) : wish.total > to ? Math.log(to / wish.total) : 0;
    return floor(sums, depth) + all * square(off);
  };
  return { seats, order, isFree, add, bound, floor, centre: null };
}

/** Sorted by what the search walks along: the level where it is free, what each costs by itself otherwise. */
function sorted(wish: Wish, list: readonly Option[], seat: number, count: number, weight: number): Scored[] {
  const free = wish.kind === 'equal-pull' && wish.pull === null;
  const scored = list.map((each, option): Scored => {
    const own = free || weight === 0 ? 0 : weight * missOf(wish, each, seat, count);
    return { option, own, level: Math.log(each.load.pull), pull: each.load.pull };
  });
  return scored.filter(({ own }) => Number.isFinite(own)).sort((a, b) => (free ? a.level - b.level : a.own - b.own));
}

/** Square of the logarithm by which one string misses; the sum of both squares for force and travel of a bend. */
function missOf(wish: Wish, { load, bend }: Option, seat: number, count: number): number {
  if (wish.kind !== 'feel') return square(Math.log(load.pull / (targetPull(wish, seat, count) ?? load.pull)));
  const wanted = wish.bends[seat] ?? null;
  if (wanted === null) return 0;
  if (bend === null) return Number.POSITIVE_INFINITY;
  return square(Math.log(bend.force / wanted.force)) + square(Math.log(bend.travel / wanted.travel));
}

/** Pull that is wished for a seat; null where the wish does not name one. */
export function targetPull(wish: Wish, seat: number, count: number): number | null {
  switch (wish.kind) {
    case 'equal-pull':
      return wish.pull;
    case 'pulls':
      return wish.pulls[seat] ?? null;
    case 'total':
      return (
        wish.total * (wish.shares === null ? 1 / count : (wish.shares[seat] ?? 0) / wish.shares.reduce((sum, share) => sum + share, 0))
      );
    case 'feel':
      return null;
  }
}
