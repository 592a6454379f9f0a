import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidV7 } from 'uuid';
import type { StockKind, StockRow } from '@gold-peg/contract/stock';
import { type Handler, Refusal } from '../handling/index.js';
import { StockItemRow, StockMovementRow, StringEntryRow, StringSetRow, SupplyOrderRow } from '../store/index.js';
import { order, toOrder } from './orders.js';
import { readShelf } from './shelf.js';
import { simulatedSupplier as supplier } from './supplier.js';

const ORDERS_SHOWN = 30;

export const stock: Handler<'stock'> = async ({ store }) => {
  const orders = await store.getRepository(SupplyOrderRow).find({ order: { placedAt: 'DESC' }, take: ORDERS_SHOWN });
  return { ...(await readShelf(store)), orders: orders.map(toOrder), supplier: supplier.name };
};

export const countStock: Handler<'countStock'> = async ({ store, now, body }) => {
  await requireKnown(store, [body], 'id');
  await store.transaction((tx) => putOnShelf(tx, body, now));
  const { items } = await readShelf(store);
  const item = items.find(({ kind, id }) => kind === body.kind && id === body.id);
  if (item === undefined) throw new TypeError('what was counted is on the shelf');
  return item;
};

/** Takes down a count: from here on the shelf is reckoned from it. */
export async function putOnShelf(tx: EntityManager, { kind, id, counted, reorderAt, reorderTo, shelf }: StockRow, at: Date): Promise<void> {
  await tx.save(StockItemRow, { kind, itemId: id, reorderAt, reorderTo, shelf });
  await tx.insert(StockMovementRow, { id: uuidV7(), kind, itemId: id, what: 'counted', amount: counted, at });
}

export const placeOrder: Handler<'placeOrder'> = async ({ store, now, body }) => {
  await requireKnown(store, body.lines, 'lines');
  return order(store, supplier, body, now);
};

async function requireKnown(store: DataSource, things: readonly { kind: StockKind; id: string }[], field: string): Promise<void> {
  for (const { kind, id } of things) {
    const known = await store.getRepository(kind === 'set' ? StringSetRow : StringEntryRow).existsBy({ id });
    if (!known) {
      const says = `must be a ${kind} of the table: ${id} is not one`;
      throw new Refusal('invalid', `${field} ${says}`, { fields: [{ field, says }] });
    }
  }
}
