import { DateTime } from 'luxon';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { benchEvent } from '@gold-peg/contract/bench-log';
import { setupSchema } from '@gold-peg/contract/register';
import type { BenchEvent } from '@gold-peg/craft/worksheet';
import { BenchEventRow, CurrentStringRow, InstrumentRow, JobRow, SetupRow } from '../store/index.js';
import { DEMO_NOW, openHouse, type TestHouse } from '../testing/house.js';
import { loadDemo } from './load-demo.js';
import { whileOpen } from './promised.js';
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

  it('promises nothing for a time at which the workshop is closed, whenever the demo begins', async () => {
    // nine to half past five with a break from a quarter past twelve to one, Saturdays to one, by the clock of the harbour
    const isOpen = (time: Date) => {
      const { weekday, hour, minute } = DateTime.fromJSDate(time, { zone: 'Europe/London' });
      const hours = hour + minute / 60;
      const inHours = hours >= 9 && (hours <= 12.25 || (weekday < 6 && hours >= 13 && hours <= 17.5) || (weekday === 6 && hours <= 13));
      return weekday !== 7 && inHours && minute % 30 === 0;
    };
    const jobs = await house.store.getRepository(JobRow).find();
    const promised = jobs.flatMap(({ promisedAt }) => promisedAt ?? []);
    expect(promised.length).toBeGreaterThan(8);
    expect(promised.filter((time) => !isOpen(time))).toEqual([]);
    for (let hour = 0; hour < 14 * 24; hour++) {
      const time = new Date(2026, 4, 26, hour, 17);
      expect(isOpen(whileOpen(time))).toBe(true);
      expect(whileOpen(new Date(time.getTime() + 3_600_000)).getTime()).toBeGreaterThanOrEqual(whileOpen(time).getTime());
    }
  });

  it('is written in events that pass the same door as those of a bench', async () => {
    const rows = await house.store.getRepository(BenchEventRow).find();
    expect(rows.length).toBeGreaterThan(100);
    for (const { event } of rows) expect(benchEvent.safeParse(event).error?.issues ?? []).toEqual([]);
  });

  it('has ids that lie in the order in which things happened, two years back', async () => {
    const rows = await house.store.getRepository(BenchEventRow).find({ order: { id: 'ASC' } });
    const times = rows.map(({ event }) => Date.parse((event as BenchEvent).at));
    expect(times).toEqual([...times].sort((a, b) => a - b));
    const oldest = (DEMO_NOW.getTime() - (times[0] ?? 0)) / 86_400_000;
    expect(oldest).toBeGreaterThan(600);
    expect(Math.max(...times)).toBeLessThanOrEqual(DEMO_NOW.getTime());
  });

  it('left in every passport the setups of its past, the latest of them on the instrument now', async () => {
    for (const { passport, past } of RACK) {
      const instrument = await house.store.getRepository(InstrumentRow).findOneByOrFail({ passport });
      const setups = await house.store.getRepository(SetupRow).find({ where: { instrumentId: instrument.id }, order: { fittedAt: 'DESC' } }); // prettier-ignore
      const strings = await house.store.getRepository(CurrentStringRow).find({ where: { instrumentId: instrument.id }, order: { string: 'ASC' } }); // prettier-ignore
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
