import { describe, expect, it } from 'vitest';
import type { StockItem, StockList, SupplyOrder } from '@gold-peg/contract/stock';
import type { StoredString } from '@gold-peg/contract/strings';
import { sayOrders, shownLines } from './supplied';

describe('the supplier of the house', () => {
  const order = (promisedAt: string, amount: number, deliveredAt: string | null = null): SupplyOrder => ({
    ...{ id: promisedAt, supplier: 'Quay Wire', reference: '', placedAt: '2026-05-26T08:00:00Z', promisedAt, deliveredAt },
    lines: [{ kind: 'set', id: 'a', amount }],
  });
  const item = (onHand: number, onOrder = 0): StockItem => ({
    ...{ kind: 'set', id: 'a', reorderAt: 2, reorderTo: 6, shelf: '', countedAt: '' },
    ...{ onHand, reserved: 0, onOrder },
  });
  const told = (parts: Partial<StockList>) => sayOrders({ items: [], moves: [], orders: [], supplier: 'Quay Wire', ...parts });

  it('has so much on its way, and the next of it first', () => {
    const orders = [order('2026-05-28T12:00:00Z', 4), order('2026-05-27T12:00:00Z', 3), order('2026-05-26T12:00:00Z', 90, '2026-05-26T11:00:00Z')]; // prettier-ignore
    expect(told({ orders }).coming).toMatch(/^7 pieces on their way, the next due Wed,? 27 May,? 1\d:00$/);
    expect(told({}).coming).toBe('nothing on its way');
  });

  it('is asked for what runs low, unless it comes already', () => {
    expect(told({ items: [item(1), item(0)] }).low).toBe('2 run low: 11 pieces would fill the shelf up'); // 5 and 6
    expect(told({ items: [item(1, 5), item(2)] }).low).toBe('nothing runs low');
  });
});

it('shows each line from its thinnest to its thickest string, each mark once, and lines with marks first', () => {
  const string = (gaugeMm: number, mark: StoredString['mark'], lineId = 'a') => ({ lineId, gaugeMm, mark }) as StoredString;
  const lines = [{ id: 'b', name: 'Two', family: 'bass' as const }, { id: 'a', name: 'One', family: 'electric' as const }]; // prettier-ignore
  const strings = [string(1.0668, 'rust'), string(0.2286, 'teal'), string(0.4064, null), string(0.6096, 'teal')];
  expect(shownLines({ lines, strings })).toEqual([
    { id: 'a', name: 'One', gauges: '4 strings, .009 to .042 in', marks: ['teal', 'rust'] },
    { id: 'b', name: 'Two', gauges: '0 strings', marks: [] },
  ]);
});
