import type { DataSource, EntityManager } from 'typeorm';
import type { StockItem, StockKind, StockMove } from '@gold-peg/contract/stock';
import { JobRow, StockItemRow, StockMovementRow, StockUseRow, SupplyOrderRow } from '../store/index.js';

type Store = DataSource | EntityManager;

const keyOf = ({ kind, itemId }: { kind: StockKind; itemId: string }) => `${kind} ${itemId}`;

/** How far back the shelf tells its story. */
const MOST_MOVES = 200;

/**
 * What lies there: the latest count, and since then what was delivered less what jobs opened or lost. What is reserved lies there still, but is
 * promised.
 */
export async function readShelf(store: Store): Promise<{ items: StockItem[]; moves: StockMove[] }> {
  const [items, movements, uses, orders] = await Promise.all([
    store.getRepository(StockItemRow).find({ order: { kind: 'ASC', itemId: 'ASC' } }),
    store.getRepository(StockMovementRow).find({ order: { at: 'ASC', id: 'ASC' } }),
    store.getRepository(StockUseRow).find({ order: { at: 'ASC' } }),
    store.getRepository(SupplyOrderRow).find({ where: {} }),
  ]);
  const listed = new Set(items.map(keyOf));
  // what came out of an opened set lies there, though nobody counted it
  const found = uses.filter(({ state }) => state === 'kept').filter((use) => !listed.has(keyOf(use)));
  const there = [
    ...items,
    ...new Map(found.map(({ kind, itemId }) => [itemId, { kind, itemId, reorderAt: 0, reorderTo: 0, shelf: '' }])).values(),
  ];
  const onItsWay = orders.filter(({ deliveredAt }) => deliveredAt === null).flatMap(({ lines }) => lines);
  return {
    items: there.map((item) => {
      const own = <T extends { kind: StockKind; itemId: string }>(rows: readonly T[]) => rows.filter((row) => keyOf(row) === keyOf(item));
      const counts = own(movements);
      const count = counts.findLast(({ what }) => what === 'counted');
      const since = count?.at ?? new Date(0);
      const delivered = counts.filter(({ what, at }) => what === 'delivered' && at > since).reduce((sum, { amount }) => sum + amount, 0);
      const taken = own(uses);
      const moved = taken.filter(({ state, at }) => state !== 'reserved' && at > since);
      const kept = moved.filter(({ state }) => state === 'kept').length;
      return {
        kind: item.kind,
        id: item.itemId,
        reorderAt: item.reorderAt,
        reorderTo: item.reorderTo,
        shelf: item.shelf,
        onHand: (count?.amount ?? 0) + delivered + kept - (moved.length - kept),
        reserved: taken.filter(({ state }) => state === 'reserved').length,
        onOrder: onItsWay.filter(({ kind, id }) => kind === item.kind && id === item.itemId).reduce((sum, { amount }) => sum + amount, 0),
        countedAt: since.toISOString(),
      };
    }),
    moves: await movesOf(store, movements, uses),
  };
}

async function movesOf(store: Store, movements: readonly StockMovementRow[], uses: readonly StockUseRow[]): Promise<StockMove[]> {
  const jobs = await store.getRepository(JobRow).find({ relations: { instrument: true } });
  const nameOf = new Map(jobs.map(({ id, instrument }) => [id, `${String(instrument.passport).padStart(4, '0')} ${instrument.name}`]));
  const counted = movements.map(({ kind, itemId, what, amount, at }): StockMove => ({
    kind,
    id: itemId,
    what,
    amount,
    at: at.toISOString(),
    why: null,
    jobId: null,
    instrument: null,
  }));
  const taken = uses.map(({ kind, itemId, state, at, why, jobId }): StockMove => ({
    kind,
    id: itemId,
    what: state,
    amount: 1,
    at: at.toISOString(),
    why,
    jobId,
    instrument: nameOf.get(jobId) ?? null,
  }));
  return [...counted, ...taken].sort((a, b) => b.at.localeCompare(a.at)).slice(0, MOST_MOVES);
}
