import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 as uuidV7 } from 'uuid';
import type { StockItem, StockKind, StockList } from '@gold-peg/contract/stock';
import { setsFor } from '@gold-peg/craft/strings';
import { logString, type BenchEvent } from '@gold-peg/craft/worksheet';
import { rebuild, eventHead, openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';
import { order, receiveDeliveries } from './orders.js';
import { readShelf } from './shelf.js';
import { simulatedSupplier } from './supplier.js';

let house: TestHouse;
let bench: Visitor;
beforeAll(async () => {
  house = await openHouse();
  bench = await house.visitor().signIn('technician');
});
afterAll(() => house.close());

const TENS = 'electric-nickel-10-13-17-26w-36w-46w';
const shelf = async () => (await bench.ask('GET', '/api/stock')).body as StockList;
const item = async (kind: StockKind, id: string): Promise<StockItem> => {
  const found = (await shelf()).items.find((each) => each.kind === kind && each.id === id);
  if (found === undefined) throw new Error(`no ${id}`);
  return found;
};
const count = (id: string, counted: number, kind: StockKind = 'set') =>
  bench.ask('PUT', '/api/stock', { kind, id, counted, reorderAt: 2, reorderTo: 6, shelf: 'drawer 2' });

describe('the shelf', () => {
  it('goes through a job: reserved when chosen, gone when opened, one more gone when scrapped, back when undone', async () => {
    await count(TENS, 4);
    await count('electric-plain-10', 5, 'string');
    const job = await bench.job(104);
    const set = setsFor('electric', 6).find(({ id }) => id === TENS);
    const send = async (...events: BenchEvent[]) => {
      const { body } = await bench.ask('POST', '/api/events', { events });
      expect(body.outcomes.map(({ outcome }: { outcome: string }) => outcome)).toEqual(events.map(() => 'stored'));
    };
    const head = () => eventHead(job, bench.personId);
    await send({
      ...head(),
      kind: 'set-chosen',
      payload: { name: 'tens', family: 'electric', setId: TENS, strings: (set?.strings ?? []).map(logString) },
    });
    expect(await item('set', TENS)).toMatchObject({ onHand: 4, reserved: 1 });
    const opened: BenchEvent = { ...head(), kind: 'laid-out', string: 6, payload: {} };
    await send(opened);
    expect(await item('set', TENS)).toMatchObject({ onHand: 3, reserved: 0 });
    await send({ ...head(), kind: 'scrapped', string: 1, payload: { why: 'cut-too-short' } });
    expect((await item('string', 'electric-plain-10')).onHand).toBe(4);
    const { moves } = await shelf();
    expect(moves[0]).toMatchObject({ what: 'scrapped', why: 'cut-too-short', id: 'electric-plain-10', instrument: expect.stringContaining('0104') }); // prettier-ignore

    const before = await readShelf(house.store);
    await rebuild(house.store);
    expect((await readShelf(house.store)).items).toEqual(before.items);

    await send({ ...head(), kind: 'undone', payload: { eventId: opened.id } });
    expect(await item('set', TENS)).toMatchObject({ onHand: 4, reserved: 1 });
  });

  it('keeps what is left of a set that was opened for one string as singles, though nobody counted them before', async () => {
    await count(TENS, 3);
    const job = await bench.job(104);
    const set = setsFor('electric', 6).find(({ id }) => id === TENS);
    const strings = (set?.strings ?? []).map(logString);
    const head = () => eventHead(job, bench.personId);
    const wound46 = strings[5]?.stringId ?? '';
    const there = async () => (await shelf()).items.find(({ id, kind }) => kind === 'string' && id === wound46)?.onHand ?? 0;
    const had = await there();
    const only: BenchEvent = {...head(), kind: 'set-chosen', payload: { name: 'tens', family: 'electric', setId: TENS, only: [1], strings } }; // prettier-ignore
    const opened: BenchEvent = { ...head(), kind: 'laid-out', string: 1, payload: {} };
    await bench.ask('POST', '/api/events', { events: [only, opened] });
    expect((await item('set', TENS)).onHand).toBe(2);
    expect(await there()).toBe(had + 1);
    expect((await shelf()).moves).toEqual(expect.arrayContaining([expect.objectContaining({ what: 'kept', id: wound46 })]));
    await bench.ask('POST', '/api/events', { events: [{ ...head(), kind: 'undone', payload: { eventId: opened.id } }] });
    expect(await there()).toBe(had);
  });

  it('is reckoned from the latest count on, whatever was used before', async () => {
    expect((await count(TENS, 9)).body).toMatchObject({ onHand: 9, reorderAt: 2, shelf: 'drawer 2' });
  });

  it('gets what was ordered when the supplier brings it, once, whoever asks', async () => {
    await count(TENS, 1);
    const lines = [{ kind: 'set' as const, id: TENS, amount: 5 }];
    const placed = await order(house.store, simulatedSupplier, { id: uuidV7(), lines }, new Date());
    expect(placed.deliveredAt).toBeNull();
    expect(await item('set', TENS)).toMatchObject({ onHand: 1, onOrder: 5 });
    const later = new Date(Date.parse(placed.promisedAt) + 1);
    await house.store.query(`UPDATE supply_order SET promised_at = now() - interval '1 hour' WHERE id = $1`, [placed.id]);
    expect((await item('set', TENS)).onOrder).toBe(5); // looking takes nothing in
    await house.store.query('UPDATE supply_order SET promised_at = $2 WHERE id = $1', [placed.id, placed.promisedAt]);
    await receiveDeliveries(house.store, simulatedSupplier, new Date(later.getTime() - 10));
    expect((await item('set', TENS)).onHand).toBe(1);
    await Promise.all([receiveDeliveries(house.store, simulatedSupplier, later), receiveDeliveries(house.store, simulatedSupplier, later)]);
    await receiveDeliveries(house.store, simulatedSupplier, later);
    expect(await item('set', TENS)).toMatchObject({ onHand: 6, onOrder: 0 });
  });

  it('takes an order through the door, and shows it under way', async () => {
    const { status, body } = await bench.ask('POST', '/api/stock/orders', {
      id: uuidV7(),
      lines: [{ kind: 'string', id: 'electric-plain-09', amount: 12 }],
    });
    expect(status).toBe(201);
    expect(body.reference).toMatch(/^sim-/);
    expect((await item('string', 'electric-plain-09')).onOrder).toBe(12);
  });

  it.each([
    [{ kind: 'set', id: TENS, counted: -1, reorderAt: 0, reorderTo: 0, shelf: '' }, /counted must lie between 0 and 9999 pieces/],
    [{ kind: 'set', id: TENS, counted: 1.5, reorderAt: 0, reorderTo: 0, shelf: '' }, /counted must be a whole number/],
    [
      { kind: 'set', id: TENS, counted: 1, reorderAt: 5, reorderTo: 2, shelf: '' },
      /reorderTo must not be less than the number below which/,
    ],
    [{ kind: 'set', id: 'no-such-set', counted: 1, reorderAt: 0, reorderTo: 0, shelf: '' }, /no-such-set is not one/],
  ])('refuses a count that cannot be: %j', async (body, says) => {
    const answer = await bench.ask('PUT', '/api/stock', body);
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toMatch(says);
  });

  it('orders nothing that is not in the table', async () => {
    const { status, body } = await bench.ask('POST', '/api/stock/orders', {
      id: uuidV7(),
      lines: [{ kind: 'string', id: 'nothing-at-all', amount: 1 }],
    });
    expect(status).toBe(422);
    expect(body.detail).toContain('nothing-at-all is not one');
  });
});
