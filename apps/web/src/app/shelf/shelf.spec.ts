import { TestBed } from '@angular/core/testing';
import { beforeEach, describe, expect, it } from 'vitest';
import type { StockItem, StockList } from '@gold-peg/contract/stock';
import { SETS, STRINGS, type StringSet, type TableString } from '@gold-peg/craft/strings';
import { Shelf } from './shelf';

const tens = SETS.find(({ id }) => id === 'electric-nickel-10-13-17-26w-36w-46w') as StringSet;
const string = (id: string) => STRINGS.find((each) => each.id === id) as TableString;
const item = (more: Partial<StockItem>): StockItem => ({
  kind: 'set',
  id: tens.id,
  onHand: 4,
  reserved: 0,
  onOrder: 0,
  reorderAt: 2,
  reorderTo: 6,
  shelf: '',
  countedAt: '',
  ...more,
});

describe('the shelf', () => {
  let shelf: Shelf;
  const holds = (...items: StockItem[]) => shelf.list.set({ items, moves: [], orders: [], supplier: 'A supplier' } satisfies StockList);

  beforeEach(() => {
    shelf = TestBed.inject(Shelf);
    shelf.list.set(null);
  });

  it('says nothing while nothing is known of it', () => {
    expect(shelf.standing('set', tens.id)).toBeNull();
    expect(shelf.proposal(tens, tens.strings)).toBeNull();
    expect(shelf.free()).toBeNull();
  });

  it('counts as free what lies there and is promised to nobody', () => {
    holds(item({ onHand: 4, reserved: 3, onOrder: 2 }), item({ kind: 'string', id: 'electric-plain-10', onHand: -1 }));
    expect(shelf.standing('set', tens.id)).toEqual({ says: '4 on the shelf, 3 reserved, 2 on order', free: 1, few: true });
    expect(shelf.free()?.sets.get(tens.id)).toBe(1);
    expect(shelf.free()?.strings.get('electric-plain-10')).toBe(0);
  });

  it('is low below the mark at which more is ordered, and when nothing is left at all', () => {
    holds(item({ onHand: 2 }));
    expect(shelf.standing('set', tens.id)?.few).toBe(false);
    holds(item({ onHand: 1 }));
    expect(shelf.standing('set', tens.id)?.few).toBe(true);
    holds(item({ onHand: 0, reorderAt: 0 }));
    expect(shelf.standing('set', tens.id)?.few).toBe(true);
  });

  it('does not call a thing low that nobody keeps', () => {
    holds();
    expect(shelf.standing('set', tens.id)).toEqual({ says: 'not kept on the shelf', free: 0, few: false });
  });

  it('has a proposal where the set lies there and every single beside it', () => {
    const strings = tens.strings.with(2, string('electric-plain-16'));
    holds(item({}), item({ kind: 'string', id: 'electric-plain-16', onHand: 3 }));
    expect(shelf.proposal(tens, strings)).toMatchObject({ says: 'all on the shelf', few: false });
    expect(shelf.proposal(tens, tens.strings)?.says).toBe('4 on the shelf');
    holds(item({ onHand: 0 }));
    expect(shelf.proposal(tens, strings)?.says).toBe('not on the shelf: the set and 1 of the singles');
  });

  it('needs a single as often as it is used', () => {
    const twice = [string('electric-plain-10'), string('electric-plain-10')];
    holds(item({ kind: 'string', id: 'electric-plain-10', onHand: 1 }));
    expect(shelf.proposal(null, twice)?.says).toBe('not on the shelf: 1 of the singles');
    holds(item({ kind: 'string', id: 'electric-plain-10', onHand: 2 }));
    expect(shelf.proposal(null, twice)?.says).toBe('all on the shelf');
  });
});
