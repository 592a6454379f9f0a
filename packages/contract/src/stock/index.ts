import * as z from 'zod';
import { SCRAP_REASONS } from '@gold-peg/craft/stages';
import { longText, newId, quantity } from '../quantity/index.js';
import { tableId } from '../strings/index.js';

export const STOCK_KINDS = ['set', 'string'] as const;
export type StockKind = (typeof STOCK_KINDS)[number];

const pieces = (because: string) =>
  quantity({ from: 0, to: 9999, unit: 'pieces', because }).refine(Number.isInteger, { error: 'must be a whole number' });

const reorder = {
  /** Order when fewer than this are free. */
  reorderAt: pieces('it is the number below which more are ordered'),
  /** Order up to this many. */
  reorderTo: pieces('it is the number up to which more are ordered'),
  shelf: longText(60),
};

/** What is counted on the shelf, and when more is to be ordered. */
export const stockRow = z
  .strictObject({ kind: z.enum(STOCK_KINDS), id: tableId, counted: pieces('it is what was counted on the shelf'), ...reorder })
  .refine(({ reorderAt, reorderTo }) => reorderTo >= reorderAt, {
    path: ['reorderTo'],
    error: 'must not be less than the number below which more are ordered: an order fills up to it',
  });
export type StockRow = z.infer<typeof stockRow>;

export const stockItem = z.object({
  kind: z.enum(STOCK_KINDS),
  id: z.string(),
  ...reorder,
  onHand: z.int(),
  reserved: z.int(),
  onOrder: z.int(),
  countedAt: z.string(),
});
export type StockItem = z.infer<typeof stockItem>;

/** Why a number on the shelf is what it is, latest first. */
export const stockMove = z.object({
  kind: z.enum(STOCK_KINDS),
  id: z.string(),
  what: z.enum(['counted', 'delivered', 'reserved', 'used', 'scrapped', 'kept']),
  amount: z.int(),
  at: z.string(),
  why: z.enum(SCRAP_REASONS).nullable(),
  jobId: z.string().nullable(),
  instrument: z.string().nullable(),
});
export type StockMove = z.infer<typeof stockMove>;

const orderLine = z.strictObject({
  kind: z.enum(STOCK_KINDS),
  id: tableId,
  amount: quantity({ from: 1, to: 999, unit: 'pieces', because: 'an order names at least one' }).refine(Number.isInteger, {
    error: 'must be a whole number',
  }),
});
export const orderDraft = z.strictObject({
  id: newId,
  lines: z.array(orderLine).min(1, { error: 'must order at least one thing' }).max(200),
});
export type OrderDraft = z.infer<typeof orderDraft>;
export type OrderLine = z.infer<typeof orderLine>;

export const supplyOrder = z.object({
  id: z.string(),
  supplier: z.string(),
  reference: z.string(),
  placedAt: z.string(),
  promisedAt: z.string(),
  deliveredAt: z.string().nullable(),
  lines: z.array(orderLine),
});
export type SupplyOrder = z.infer<typeof supplyOrder>;

export const stockList = z.object({
  items: z.array(stockItem),
  moves: z.array(stockMove),
  orders: z.array(supplyOrder),
  /** Whom the house orders from. */
  supplier: z.string(),
});
export type StockList = z.infer<typeof stockList>;
