import type { OrderLine, StockItem } from '@gold-peg/contract/stock';

/** What an order would have to bring so that everything running low is full again: what is on its way is not ordered twice. */
export const linesToOrder = (items: readonly StockItem[]): OrderLine[] =>
  items.flatMap(({ kind, id, onHand, reserved, onOrder, reorderAt, reorderTo }) => {
    const soon = onHand - reserved + onOrder;
    return soon < reorderAt && reorderTo > soon ? [{ kind, id, amount: reorderTo - soon }] : [];
  });
