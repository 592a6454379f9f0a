import { NOTHING_YET, type Score, type Scored, type Sums } from './score.js';

/** Costs nearer than this are the same: then fewer singles win. */
const SAME = 1e-12;

/** One whole choice: an option for each seat. */
export interface Found {
  picks: readonly number[];
  cost: number;
  singles: number;
  base: number | null;
}

/** A set to begin from: the option that each of its strings is, and how many may be replaced. */
export interface Base {
  index: number;
  picks: readonly (number | null)[];
  mostSingles: number;
}

export interface Search {
  score: Score;
  /** Null where strings need not come from a set; `singlesOf` then counts them afterwards. */
  base: Base | null;
  singlesOf: (picks: readonly number[]) => number;
  /** What to take in a seat that is free, beside these; undefined where one is as good as another. */
  goesWith: (picks: readonly (number | undefined)[], seat: number) => number | undefined;
  /** How many of an option may be used as singles. */
  left: (seat: number, option: number) => number;
  /** Options of one class in different seats draw on the same stock. */
  sameStock: (seat: number, option: number) => string;
}

/** The best choices so far, best first: by cost, and among equals by singles. */
export class Best {
  private readonly found: Found[] = [];
  constructor(private readonly answers: number) {}

  get list(): readonly Found[] {
    return this.found;
  }

  /** Above this cost nothing enters any more. */
  get worst(): number {
    return this.found.length < this.answers ? Number.POSITIVE_INFINITY : (this.found.at(-1) as Found).cost;
  }

  offer(candidate: Found): void {
    const key = candidate.picks.join();
    const twin = this.found.findIndex(({ picks }) => picks.join() === key);
    if (twin >= 0) {
      if ((this.found[twin] as Found).singles <= candidate.singles) return;
      this.found.splice(twin, 1);
    }
    const at = this.found.findIndex(
      ({ cost, singles }) => candidate.cost < cost - SAME || (Math.abs(candidate.cost - cost) <= SAME && candidate.singles < singles),
    );
    this.found.splice(at < 0 ? this.found.length : at, 0, candidate);
    if (this.found.length > this.answers) this.found.pop();
  }
}

/**
 * Branch and bound over the seats: the exact best, since a beginning is left only when no completion of it can enter the list. Options are tried
 * from the best by themselves on, so that the first whole choice is a good one and the rest is cut early. A seat that is free takes one option and no other: choices that differ in nothing that counts are one choice.
 */
export function searchBest(search: Search, best: Best, begun: (done: number, of: number) => void = () => undefined): void {
  const { score, base } = search;
  const { order } = score;
  const picks: (number | undefined)[] = order.map(() => undefined);
  const used = new Map<string, number>();

  const descend = (sums: Sums, depth: number, singlesLeft: number): void => {
    const seat = order[depth];
    if (seat === undefined) {
      const whole = [...picks] as number[];
      const singles = base === null ? search.singlesOf(whole) : base.mostSingles - singlesLeft;
      best.offer({ picks: whole, cost: score.bound(sums, depth), singles, base: base?.index ?? null });
      return;
    }
    const list = score.seats[seat] as Scored[];
    const free = score.isFree(seat);
    let done = 0;
    for (const scored of free ? preferred(seat, list) : score.centre === null ? list : outward(list, score.centre(sums))) {
      const next = score.add(sums, seat, scored);
      if (tooMuch(score.floor(next, depth + 1), best)) break;
      if (depth === 0) begun(done++, list.length);
      if (tooMuch(score.bound(next, depth + 1), best)) continue;
      const single = base !== null && base.picks[seat] !== scored.option;
      if (single && singlesLeft === 0) continue;
      const stock = search.sameStock(seat, scored.option);
      const taken = used.get(stock) ?? 0;
      const counts = base === null || single;
      if (counts && taken >= search.left(seat, scored.option)) continue;
      if (counts) used.set(stock, taken + 1);
      picks[seat] = scored.option;
      descend(next, depth + 1, single ? singlesLeft - 1 : singlesLeft);
      picks[seat] = undefined;
      if (counts) used.set(stock, taken);
      if (free) break;
    }
  };

  /** What the set has there first, then any other. */
  const preferred = (seat: number, list: readonly Scored[]): readonly Scored[] => {
    const own = base === null ? search.goesWith(picks, seat) : base.picks[seat];
    return [...list.filter(({ option }) => option === own), ...list];
  };
  descend(NOTHING_YET, 0, base?.mostSingles ?? 0);
}

const tooMuch = (cost: number, best: Best) => cost > best.worst + SAME;

/** A list sorted by level, from the entry nearest to `centre` on, outward to both sides. */
function* outward(list: readonly Scored[], centre: number): Generator<Scored> {
  const first = list.findIndex(({ level }) => level >= centre);
  let above = first < 0 ? list.length : first;
  let below = above - 1;
  while (below >= 0 || above < list.length) {
    const low = list[below];
    const high = list[above];
    const takeHigh = low === undefined || (high !== undefined && high.level - centre < centre - low.level);
    if (takeHigh && high !== undefined) yield high;
    else if (low !== undefined) yield low;
    if (takeHigh) above++;
    else below--;
  }
}
