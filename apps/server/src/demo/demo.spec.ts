import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { benchEvent } from '@gold-peg/contract/bench-log';
import { setupSchema } from '@gold-peg/contract/register';
import { BenchEventRow, CurrentStringRow, InstrumentRow, SetupRow } from '../store/index.js';
import { DEMO_NOW, openHouse, type TestHouse } from '../testing/house.js';
import { loadDemo } from './load-demo.js';
import { OWNERS, RACK } from './rack.js';

let house: TestHouse;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house.close());

describe('the demo workshop', () => {
  it('is loaded into an empty house only', async () => {
    const before = await house.store.getRepository(BenchEventRow).count();
    expect(await loadDemo(house.store, DEMO_NOW)).toBe(false);
    expect(await house.store.getRepository(BenchEventRow).count()).toBe(before);
  });

  it('is written in events that pass the same door as those of a bench', async () => {
    const rows = await house.store.getRepository(BenchEventRow).find();
    expect(rows.length).toBeGreaterThan(100);
    for (const { event } of rows) expect(benchEvent.safeParse(event).error?.issues ?? []).toEqual([]);
  });

  it('has ids that lie in the order in which things happened, two years back', async () => {
    const rows = await house.store.getRepository(BenchEventRow).find({ order: { id: 'ASC' } });
    const times = rows.map(({ event }) => Date.parse(event.at));
    expect(times).toEqual([...times].sort((a, b) => a - b));
    const oldest = (DEMO_NOW.getTime() - (times[0] ?? 0)) / 86_400_000;
    expect(oldest).toBeGreaterThan(600);
    expect(Math.max(...times)).toBeLessThanOrEqual(DEMO_NOW.getTime());
  });

  it('left in every passport the setups of its past, the latest of them on the instrument now', async () => {
    for (const { passport, past } of RACK) {
      const instrument = await house.store.getRepository(InstrumentRow).findOneByOrFail({ passport });
      const setups = await house.store
        .getRepository(SetupRow)
        .find({ where: { instrumentId: instrument.id }, order: { fittedAt: 'DESC' } });
      const strings = await house.store
        .getRepository(CurrentStringRow)
        .find({ where: { instrumentId: instrument.id }, order: { string: 'ASC' } });
      expect(setups.length).toBe(past.length);
      for (const { setup } of setups) expect(setupSchema.safeParse(setup).success).toBe(true);
      expect(strings.map(({ gaugeMm }) => gaugeMm)).toEqual(setups[0]?.setup.strings.map(({ gaugeMm }) => gaugeMm));
      expect(strings.length).toBe(instrument.geometry.strings.length);
    }
  });

  it('knows every owner it speaks of', () => {
    const known = new Set(OWNERS.map(({ name }) => name));
    expect(RACK.filter(({ owner }) => !known.has(owner))).toEqual([]);
    expect(new Set(RACK.map(({ passport }) => passport)).size).toBe(RACK.length);
  });
});
