import type { StockItem, StockMove, SupplyOrder } from '@gold-peg/contract/stock';

export interface Named {
  name: string;
  line: string;
}

/** By `kind id`, what a thing on the shelf is called. */
export type Names = ReadonlyMap<string, Named>;

export interface ShelfRow extends Named {
  key: string;
  item: StockItem;
  free: number;
  low: boolean;
}

export function shelfRow(item: StockItem, names: Names): ShelfRow {
  const key = `${item.kind} ${item.id}`;
  const free = item.onHand - item.reserved;
  return { key, item, free, low: free < item.reorderAt, ...(names.get(key) ?? { name: item.id, line: '' }) };
}

const WHAT = {
  counted: 'counted',
  delivered: 'delivered',
  reserved: 'reserved',
  used: 'opened',
  scrapped: 'lost',
  kept: 'kept from an opened set',
} as const;

export function sayMove({ what, amount, why }: StockMove): string {
  const number = what === 'counted' || what === 'delivered' ? ` ${amount} of` : '';
  return `${WHAT[what]}${why === null ? '' : `, ${why.replaceAll('-', ' ')}`}${number}`;
}

export function sayOrder({ deliveredAt, promisedAt, supplier }: SupplyOrder, now: number): string {
  if (deliveredAt !== null) return `came, from ${supplier}`;
  const minutes = Math.ceil((Date.parse(promisedAt) - now) / 60_000);
  return minutes > 0 ? `on the way, in about ${minutes} min` : 'due now';
}
