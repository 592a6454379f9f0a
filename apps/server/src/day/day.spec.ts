import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { USUAL_HOURS, type Day } from '@gold-peg/contract/day';
import { rackFault } from '@gold-peg/craft/day';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';
import { openWindows } from './windows.js';

let house: TestHouse;
let owner: Visitor;
let technician: Visitor;

beforeAll(async () => {
  house = await openHouse();
  [owner, technician] = await Promise.all([house.visitor().signIn('owner'), house.visitor().signIn('technician')]);
});
afterAll(() => house.close());

const read = async () => (await technician.ask('GET', '/api/day')).body as Day;

describe('open hours', () => {
  const hours = { ...USUAL_HOURS, closed: ['2026-03-30'] };
  /** Midnight UTC, which is midnight in London until the clock goes forward in the night to 29 March 2026. */
  const origin = new Date('2026-03-27T00:00:00Z');

  it('are by the clock on the wall, also after it was put forward', () => {
    const windows = openWindows(hours, origin, { from: origin, days: 5 });
    const day = 1440;
    expect(windows).toEqual([
      [540, 735],
      [780, 1050], // Friday
      [day + 540, day + 780], // Saturday
      // nothing on Sunday, closed on Monday; on Tuesday nine o'clock is eight by UTC
      [4 * day + 480, 4 * day + 675],
      [4 * day + 720, 4 * day + 990],
    ]);
  });
});

describe('the day as the planner sees it', () => {
  it('has everybody at the bench, every open job, and nothing that a planner would refuse', async () => {
    const day = await read();
    expect(rackFault(day)).toBeNull();
    expect(day.people.map(({ name }) => name)).toContain('Wenna Tarrow');
    expect(day.hours).toEqual(USUAL_HOURS);
    const nylon = day.jobs.find(({ passport }) => passport === 98);
    expect(nylon?.moves).toBe(true);
    expect(nylon?.operations.filter(({ id }) => id.startsWith('tune-')).length).toBeGreaterThan(1);
    const waits = nylon?.operations.reduce((sum, { after, minutes }, nth) => sum + after + (nth === 0 ? 0 : minutes), 0) ?? 0;
    expect(waits).toBeGreaterThanOrEqual(1440); // nobody read these strings: they are given a day
    const steel = day.jobs.find(({ passport }) => passport === 104);
    expect([steel?.moves, steel?.operations.map(({ id }) => id)]).toEqual([false, ['restring', 'hand-over']]);
  });

  it('keeps a pin where somebody put it, says why one cannot be, and lets it go', async () => {
    const day = await read();
    const [job, person] = [day.jobs.find(({ passport }) => passport === 104), day.people[0]];
    const [from] = person?.windows.find(([start]) => start > day.now) ?? [0];
    const at = (minute: number) => new Date(Date.parse(day.origin) + minute * 60_000).toISOString();
    const pin = (minute: number) => ({ jobId: job?.id, operation: 'restring', place: { personId: person?.id, startAt: at(minute) } });
    const pinned = await technician.ask('PUT', '/api/day/pins', pin(from));
    expect(pinned.body.pinned).toEqual([{ job: job?.id, operation: 'restring', person: person?.id, start: from }]);
    const night = await technician.ask('PUT', '/api/day/pins', pin(from - 120));
    expect([night.status, night.body.fields[0].says]).toEqual([422, 'must lie with all its minutes in one of the windows of its person']);
    expect((await read()).pinned).toHaveLength(1);
    await technician.ask('PUT', '/api/day/pins', { jobId: job?.id, operation: 'restring', place: null });
    expect((await read()).pinned).toEqual([]);
  });

  it('keeps a plan in force, unless another device planned meanwhile', async () => {
    const day = await read();
    const [job, person] = [day.jobs[0], day.people[0]];
    const operation = job?.operations.at(-1)?.id;
    const operations = [{ jobId: job?.id, operation, personId: person?.id, startAt: new Date(Date.now() + 3_600_000).toISOString() }];
    const kept = await technician.ask('PUT', '/api/day/plan', { version: day.version, operations });
    expect(kept.body.inForce).toMatchObject([{ job: job?.id, operation, person: person?.id }]);
    const late = await technician.ask('PUT', '/api/day/plan', { version: day.version, operations: [] });
    expect([late.status, late.body.current.version]).toEqual([409, kept.body.version]);
  });

  it('has hours that only the owner changes, and refuses those that cannot be', async () => {
    const { version } = await read();
    const hours = { ...USUAL_HOURS, counterShare: 0.2 };
    expect((await technician.ask('PUT', '/api/day/hours', { version, hours })).status).toBe(403);
    expect((await owner.ask('PUT', '/api/day/hours', { version, hours })).body.hours.counterShare).toBe(0.2);
    const backward = { ...hours, week: [[[600, 540]], [], [], [], [], [], []] };
    const refused = await owner.ask('PUT', '/api/day/hours', { version: version + 1, hours: backward });
    expect([refused.status, refused.body.fields[0].says]).toEqual([422, 'must follow one another, each ending after it begins']);
    const nowhere = await owner.ask('PUT', '/api/day/hours', { version: version + 1, hours: { ...hours, zone: 'Nowhere/Quay' } });
    expect(nowhere.body.fields[0].says).toBe('must be a time zone such as Europe/London');
  });
});
