import { In, IsNull, Not, type DataSource } from 'typeorm';
import type { Day, DayJob } from '@gold-peg/contract/day';
import type { StockKind } from '@gold-peg/contract/stock';
import { arrivalOf, dealParts, suppliedIn, type Arrival, type Minute } from '@gold-peg/craft/day';
import { printGauge } from '@gold-peg/craft/strings';
import { metres } from '@gold-peg/craft/units';
import { readItems } from '../stock/index.js';
import { StockUseRow, StringEntryRow, StringSetRow, SupplyOrderRow } from '../store/index.js';

const MINUTE_MS = 60_000;
/** So many orders tell how long they take: the newest. */
const LEARNED_FROM = 50;

type Part = DayJob['waitsFor'][number];
/** Until when a job waits, and for what. */
export type Waits = Arrival & { waitsFor: Part[] };
export interface Parts {
  holds: ReadonlyMap<string, Waits>;
  toOrder: Day['toOrder'];
}

const keyOf = ({ kind, id }: { kind: StockKind; id: string }) => `${kind} ${id}`;

/**
 * What jobs wait for: parts that they reserved, dealt in their order to what lies on the shelf and what was ordered. A house that never counted its shelf waits for nothing: nobody knows what lies there.
 * `there`: jobs whose strings are on or hang already: they wait for nothing, and what they took lies on the shelf no more.
 */
export async function partsOf(
  store: DataSource,
  { jobIds, there }: { jobIds: readonly string[]; there: ReadonlySet<string> },
  { now, minuteOf }: { now: Minute; minuteOf: (moment: Date) => Minute },
): Promise<Parts> {
  const [items, uses, open, came] = await Promise.all([
    readItems(store),
    store.getRepository(StockUseRow).find({ where: { jobId: In(jobIds), state: 'reserved' }, order: { kind: 'ASC', itemId: 'ASC' } }),
    store.getRepository(SupplyOrderRow).find({ where: { deliveredAt: IsNull() }, order: { placedAt: 'ASC' } }),
    store.getRepository(SupplyOrderRow).find({ where: { deliveredAt: Not(IsNull()) }, order: { deliveredAt: 'DESC' }, take: LEARNED_FROM }),
  ]);
  if (items.length === 0) return { holds: new Map(), toOrder: [] };
  const takes = suppliedIn(came.map(({ placedAt, deliveredAt }) => ((deliveredAt ?? placedAt).getTime() - placedAt.getTime()) / MINUTE_MS));
  const needs = jobIds.flatMap((job) =>
    uses.filter(({ jobId }) => jobId === job).map(({ kind, itemId }) => ({ job, item: keyOf({ kind, id: itemId }) })),
  );
  const taken = needs.filter(({ job }) => there.has(job));
  const left = (item: string, onHand: number) => Math.max(0, onHand - taken.filter((each) => each.item === item).length);
  const { holds, order } = dealParts({
    needs: needs.filter(({ job }) => !there.has(job)),
    onHand: new Map(items.map((item) => [keyOf(item), left(keyOf(item), item.onHand)])),
    coming: open.flatMap(({ placedAt, promisedAt, lines }) => {
      const arrival = arrivalOf(takes, { placed: minuteOf(placedAt), promised: minuteOf(promisedAt), now });
      return lines.map((line) => ({ item: keyOf(line), amount: line.amount, ...arrival }));
    }),
    ordered: arrivalOf(takes, { placed: now, promised: null, now }),
  });
  const named = await namesOf(store, [...new Set([...holds.values()].flatMap((hold) => hold.items))]);
  return {
    holds: new Map([...holds].map(([job, { items: wanted, ...arrival }]) => [job, { ...arrival, waitsFor: wanted.map(named) }])),
    toOrder: [...order].map(([key, amount]) => ({ ...named(key), amount })),
  };
}

/** Things of the shelf by what is written on them. */
async function namesOf(store: DataSource, keys: readonly string[]): Promise<(key: string) => Part> {
  const idsOf = (kind: StockKind) => keys.filter((key) => key.startsWith(`${kind} `)).map((key) => key.slice(kind.length + 1));
  const [sets, strings] = await Promise.all([
    store.getRepository(StringSetRow).findBy({ id: In(idsOf('set')) }),
    store.getRepository(StringEntryRow).findBy({ id: In(idsOf('string')) }),
  ]);
  const parts = [
    ...sets.map(({ id, name }): Part => ({ kind: 'set', id, name })),
    ...strings.map(({ id, gaugeMm }): Part => ({ kind: 'string', id, name: `${printGauge(metres(gaugeMm / 1000))} single` })),
  ];
  const byKey = new Map(parts.map((part) => [keyOf(part), part]));
  return (key) => {
    const [kind = 'set', ...rest] = key.split(' ');
    const id = rest.join(' ');
    return byKey.get(key) ?? { kind: kind as StockKind, id, name: id };
  };
}
