import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { WEAR } from '@gold-peg/craft/constants';
import { InstrumentRow, JobRow, SetupRow } from '../store/index.js';
import { DEMO_NOW, openHouse, type TestHouse } from '../testing/house.js';
import { atHome } from './harbour.js';
import { OWNERS, RACK } from './rack.js';

const entries = atHome(DEMO_NOW);

describe('instruments of the harbour', () => {
  it('are about forty with those of the rack, each with a passport of its own, of owners in the register', () => {
    const all = [...RACK, ...entries];
    expect(all.length).toBeGreaterThanOrEqual(38);
    expect(new Set(all.map(({ passport }) => passport)).size).toBe(all.length);
    const known = new Set(OWNERS.map(({ name }) => name));
    expect(all.filter(({ owner }) => !known.has(owner))).toEqual([]);
    expect(all.filter(({ job }) => job !== undefined).length / all.length).toBeGreaterThan(0.4);
  });

  it('are the same each time', () => expect(atHome(DEMO_NOW)).toEqual(entries));

  it('came back as strings wear: who plays more comes more often, and no set lasts longer than strings do', () => {
    for (const { past, weeklyHours = 0 } of entries) {
      const days = past.map(({ daysAgo }) => daysAgo);
      expect(days).toEqual([...days].sort((a, b) => b - a));
      expect(days[0]).toBeGreaterThan(650);
      const sets = past.filter(({ only }) => only === undefined);
      const lasted = sets.slice(1).map(({ daysAgo }, nth) => (sets[nth]?.daysAgo ?? 0) - daysAgo);
      for (const each of lasted) expect((each * weeklyHours) / 7).toBeLessThan(WEAR.woundBass.high);
    }
    const often = (hours: (weekly: number) => boolean) => {
      const some = entries.filter(({ weeklyHours = 0, archetypeId }) => hours(weeklyHours) && !archetypeId.startsWith('bass'));
      return some.reduce((sum, { past }) => sum + past.length, 0) / some.length;
    };
    expect(often((weekly) => weekly >= 5)).toBeGreaterThan(1.3 * often((weekly) => weekly <= 2.5));
  });

  it('stand higher and bow more in winter than in summer', () => {
    const seasons = (winter: boolean) =>
      entries.flatMap(({ past }) =>
        past.flatMap(({ daysAgo, left }) => {
          const month = new Date(DEMO_NOW.getTime() - daysAgo * 86_400_000).getUTCMonth();
          const is = winter ? month < 2 || month === 11 : month > 4 && month < 8;
          return is && left?.relief !== undefined ? [left.relief] : [];
        }),
      );
    const mean = (values: number[]) => values.reduce((sum, each) => sum + each, 0) / values.length;
    expect(mean(seasons(true))).toBeGreaterThan(mean(seasons(false)));
  });
});

describe('the harbour in a house', () => {
  let house: TestHouse;
  beforeAll(async () => {
    house = await openHouse(undefined, undefined, 'harbour');
  }, 120_000);
  afterAll(() => house.close());

  it('left every setup in its passport, and says when each should come back', async () => {
    const [setups, jobs, instruments] = await Promise.all([
      house.store.getRepository(SetupRow).count(),
      house.store.getRepository(JobRow).countBy({ state: 'handed-over' }),
      house.store.getRepository(InstrumentRow).count(),
    ]);
    const past = [...RACK, ...entries].reduce((sum, each) => sum + each.past.length, 0);
    expect([setups, jobs, instruments]).toEqual([past, past, RACK.length + entries.length]);
    const [{ count } = { count: '' }] = await house.store.query<{ count: string }[]>(
      "SELECT count(*) FROM instrument WHERE due_at < 'infinity' AND due_at > $1",
      [new Date(DEMO_NOW.getTime() - 730 * 86_400_000)],
    );
    expect(Number(count)).toBe(instruments);
  });
});
