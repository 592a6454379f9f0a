import { IsNull, type DataSource } from 'typeorm';
import { v7 as uuidV7 } from 'uuid';
import type { OrderDraft, SupplyOrder } from '@gold-peg/contract/stock';
import { Refusal } from '../handling/index.js';
import { addOnce, isSame, StockMovementRow, SupplyOrderRow } from '../store/index.js';
import type { Supplier } from './supplier.js';

/** Places an order under the id that the asker made: asked again, the supplier is not. */
export async function order(store: DataSource, supplier: Supplier, { id, lines }: OrderDraft, now: Date): Promise<SupplyOrder> {
  const { reference, promisedAt } = await supplier.place(id, lines, now);
  const row = { id, supplier: supplier.name, reference, placedAt: now, promisedAt, deliveredAt: null, lines };
  if (await addOnce(store, SupplyOrderRow, row)) return toOrder(row);
  const there = await store.getRepository(SupplyOrderRow).findOneByOrFail({ id });
  const current = toOrder(there);
  if (!isSame(there, { lines })) throw new Refusal('taken', `id must be new: it is that of the order ${there.reference}`, { current });
  return current;
}

/** Puts what has arrived on the shelf, each order once however many servers ask. */
export async function receiveDeliveries(store: DataSource, supplier: Supplier, now: Date): Promise<void> {
  const open = await store.getRepository(SupplyOrderRow).findBy({ deliveredAt: IsNull() });
  for (const each of open) {
    if (!(await supplier.hasArrived(each, now))) continue;
    await store.transaction(async (tx) => {
      const { affected } = await tx.update(SupplyOrderRow, { id: each.id, deliveredAt: IsNull() }, { deliveredAt: now });
      if (affected !== 1) return;
      const moves = each.lines.map(({ kind, id, amount }) => ({
        id: uuidV7(),
        kind,
        itemId: id,
        what: 'delivered' as const,
        amount,
        at: now,
      }));
      await tx.insert(StockMovementRow, moves);
    });
  }
}

export const toOrder = ({ id, supplier, reference, placedAt, promisedAt, deliveredAt, lines }: SupplyOrderRow): SupplyOrder => ({
  id,
  supplier,
  reference,
  placedAt: placedAt.toISOString(),
  promisedAt: promisedAt.toISOString(),
  deliveredAt: deliveredAt?.toISOString() ?? null,
  lines,
});
