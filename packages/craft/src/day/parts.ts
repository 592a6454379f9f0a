import { NINE_IN_TEN, percentileOf, type Attended, type Percentile } from './percentile.js';
import type { Arrival, Minute } from './model.js';

/** A thing of the shelf that a job is to be strung with and has not opened yet. */
export interface Need {
  job: string;
  item: string;
}

export interface Coming extends Arrival {
  item: string;
  amount: number;
}

export interface PartsAsked {
  /** Whoever comes first takes first. */
  needs: readonly Need[];
  /** What lies there, reserved or not; what is left out is not kept. */
  onHand: ReadonlyMap<string, number>;
  /** What was ordered and did not come yet. */
  coming: readonly Coming[];
  /** Of what would be ordered now. */
  ordered: Arrival;
}

export interface PartsTold {
  /** Until when a job waits, and for what: only jobs that wait. */
  holds: ReadonlyMap<string, Arrival & { items: readonly string[] }>;
  /** What nobody ordered yet, and how much of it jobs want. */
  order: ReadonlyMap<string, number>;
}

/** Deals what lies there, and then what comes, to jobs in their order: what is left over for a job holds it until the last of its parts is there. */
export function dealParts({ needs, onHand, coming, ordered }: PartsAsked): PartsTold {
  const free = new Map(onHand);
  const parcels = [...coming].sort((a, b) => a.p50 - b.p50).map((parcel) => ({ ...parcel }));
  const holds = new Map<string, Arrival & { items: string[] }>();
  const order = new Map<string, number>();
  for (const { job, item } of needs) {
    const there = free.get(item) ?? 0;
    if (there > 0) {
      free.set(item, there - 1);
      continue;
    }
    const parcel = parcels.find((each) => each.item === item && each.amount > 0);
    if (parcel === undefined) order.set(item, (order.get(item) ?? 0) + 1);
    else parcel.amount--;
    const { p50, p90 } = parcel ?? ordered;
    const before = holds.get(job);
    holds.set(job, { p50: Math.max(p50, before?.p50 ?? 0), p90: Math.max(p90, before?.p90 ?? 0), items: [...(before?.items ?? []), item] });
  }
  return { holds, order };
}

/** Before anything was delivered: two days, nine in ten within four, as sure as three orders would make it. */
const USUAL: Attended = { median: 2 * 1440, sigma: Math.log(2) / NINE_IN_TEN };
const WORTH = 3;

/**
 * How long a supplier takes from order to shelf, lognormal, by what came: mean and variance of the logarithms, with what is usual before anything came. `minutes`: of each order that was delivered.
 */
export function suppliedIn(minutes: readonly Minute[]): Attended {
  const logs = minutes.filter((each) => each > 0).map(Math.log);
  const total = WORTH + logs.length;
  const usual = Math.log(USUAL.median);
  const mean = (WORTH * usual + logs.reduce((sum, log) => sum + log, 0)) / total;
  const variance = (WORTH * (USUAL.sigma ** 2 + (usual - mean) ** 2) + logs.reduce((sum, log) => sum + (log - mean) ** 2, 0)) / total;
  return { median: Math.exp(mean), sigma: Math.sqrt(variance) };
}

/** When what takes so long from `placed` on is there, by `now` at the earliest. `promised`: what its supplier said, which is taken for the median. */
export function arrivalOf(takes: Attended, { placed, promised, now }: { placed: Minute; promised: Minute | null; now: Minute }): Arrival {
  const median = promised === null ? takes.median : Math.max(1, promised - placed);
  const at = (percentile: Percentile) => Math.max(now, Math.ceil(placed + percentileOf({ median, sigma: takes.sigma }, percentile)));
  return { p50: at(50), p90: at(90) };
}

/** Until when a job is planned to wait: by so many in a hundred of its part is there. */
export function holdUntil({ p50, p90 }: Arrival, percentile: Percentile, now: Minute): Minute {
  const median = Math.max(1, p50 - now);
  const sigma = Math.max(0, Math.log((p90 - now) / median) / NINE_IN_TEN);
  return now + Math.round(percentileOf({ median, sigma }, percentile));
}
