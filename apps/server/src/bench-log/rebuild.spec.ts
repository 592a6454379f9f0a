import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { CurrentStringRow, JobRow, SetupRow } from '../store/index.js';
import { openHouse, stripped, type TestHouse } from '../testing/house.js';
import { askForRebuild, rebuildWhereAsked } from './index.js';

let house: TestHouse;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house.close());

const derived = async () => ({
  jobs: await house.store.getRepository(JobRow).find({ order: { id: 'ASC' } }),
  setups: await house.store.getRepository(SetupRow).find({ order: { jobId: 'ASC' } }),
  strings: await house.store.getRepository(CurrentStringRow).find({ order: { instrumentId: 'ASC', string: 'ASC' } }),
});

describe('making projections again', () => {
  it('does nothing unless it was asked for', async () => {
    expect(await rebuildWhereAsked(house.store)).toBe(0);
  });

  it('goes on after a break where it stopped', async () => {
    const jobs = await house.store.getRepository(JobRow).find({ order: { id: 'ASC' } });
    const before = await derived();
    await house.store.query('DELETE FROM setup');
    await house.store.query(`UPDATE job SET set_name = 'forgotten'`);
    await askForRebuild(house.store);
    await house.store.query(`CREATE FUNCTION break_off() RETURNS trigger AS $$ BEGIN RAISE 'the plug was pulled'; END $$ LANGUAGE plpgsql`);
    const at = `FOR EACH ROW WHEN (OLD.id = '${jobs[7]?.id}')`;
    await house.store.query(`CREATE TRIGGER break_off BEFORE UPDATE ON job ${at} EXECUTE FUNCTION break_off()`);
    await expect(rebuildWhereAsked(house.store, 2)).rejects.toThrow('the plug was pulled');
    await house.store.query('DROP TRIGGER break_off ON job');
    expect(await rebuildWhereAsked(house.store, 2)).toBe(jobs.length - 6); // three batches of two were done
    expect(await derived()).toEqual(before);
  });

  it('lets others append meanwhile, and comes out as if nobody had', async () => {
    const technician = await house.visitor().signIn('technician');
    const job = await technician.job(109);
    await askForRebuild(house.store);
    let building = true;
    const rebuilt = rebuildWhereAsked(house.store, 1).finally(() => (building = false));
    const during: boolean[] = [];
    for (let string = 1; string <= 4; string++) {
      const { body } = await technician.ask('POST', '/api/events', { events: [stripped(job, technician.personId, string)] });
      expect(body.outcomes[0].outcome).toBe('stored');
      during.push(building);
    }
    await rebuilt;
    expect(during).toContain(true);
    const after = await derived();
    await askForRebuild(house.store);
    await rebuildWhereAsked(house.store);
    expect(await derived()).toEqual(after);
    expect((await technician.job(109)).state).toBe('on-bench');
  });
});
