import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { v7 as uuidV7 } from 'uuid';
import type { JobSummary } from '@gold-peg/contract/jobs';
import type { BenchEvent } from '@gold-peg/craft/worksheet';
import { BenchEventRow, CurrentStringRow, JobRow, SetupRow } from '../store/index.js';
import { eventHead, openHouse, stripped, type TestHouse, rebuild } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

let house: TestHouse;
let technician: Visitor;
let job: JobSummary;

beforeAll(async () => {
  house = await openHouse();
  technician = await house.visitor().signIn('technician');
});
afterAll(() => house.close());
beforeEach(async () => {
  job = await technician.job(104);
});

const append = (...events: BenchEvent[]) => technician.ask('POST', '/api/events', { events });
const countOf = (id: string) => house.store.getRepository(BenchEventRow).countBy({ id });
const stripOne = (string: number) => stripped(job, technician.personId, string);

function chosen(gauges: readonly number[] = [0.254, 0.3302, 0.4318, 0.6604, 0.9144, 1.1684]): BenchEvent {
  const strings = gauges.map((gaugeMm) => ({ construction: gaugeMm > 0.5 ? ('wound' as const) : ('plain' as const), gaugeMm }));
  return { ...eventHead(job, technician.personId), kind: 'set-chosen', payload: { name: '.010–.046', family: 'electric', strings } };
}

describe('appending to the log', () => {
  it('stores an event once, however often it is sent', async () => {
    const event = stripOne(6);
    const first = await append(event);
    const again = await append(event, event);
    expect(first.body.outcomes).toMatchObject([{ id: event.id, outcome: 'stored' }]);
    expect(again.body.outcomes.map(({ outcome }: { outcome: string }) => outcome)).toEqual(['already-stored', 'already-stored']);
    expect(again.body.outcomes[0].seq).toBe(first.body.outcomes[0].seq);
    expect(await countOf(event.id)).toBe(1);
  });

  it('stores each of many events sent at the same time from several devices, in one order', async () => {
    const events = Array.from({ length: 24 }, (_, index) => stripOne((index % 6) + 1));
    await Promise.all(events.flatMap((event) => [append(event), append(event)]));
    const { body } = await technician.ask('GET', `/api/jobs/${job.id}/events`);
    const places = body.events.map(({ seq }: { seq: number }) => seq);
    for (const event of events) expect(await countOf(event.id)).toBe(1);
    expect(places).toEqual([...places].sort((a: number, b: number) => a - b));
  });

  it('refuses by itself what cannot be right, and stores the others', async () => {
    const good = stripOne(1);
    const wrongString = { ...stripOne(1), string: 7 } as BenchEvent;
    const unknownJob = { ...stripOne(2), jobId: uuidV7() };
    const otherInstrument = { ...stripOne(2), instrumentId: uuidV7() };
    const somebodyElse = { ...stripOne(2), personId: uuidV7() };
    const { body } = await append(wrongString, unknownJob, otherInstrument, somebodyElse, good);
    expect(body.outcomes.map(({ outcome }: { outcome: string }) => outcome)).toEqual(['refused', 'refused', 'refused', 'refused', 'stored']); // prettier-ignore
    expect(body.outcomes.map(({ says }: { says: string | null }) => says?.split(' ')[0])).toEqual([
      'string',
      'jobId',
      'instrumentId',
      'personId',
      undefined,
    ]);
    expect(await countOf(wrongString.id)).toBe(0);
  });

  it('refuses a second event under an id that is taken', async () => {
    const event = stripOne(3);
    await append(event);
    const { body } = await append({ ...stripOne(4), id: event.id });
    expect(body.outcomes[0]).toMatchObject({ outcome: 'refused' });
    expect(body.outcomes[0].says).toContain('id must be new');
  });

  it('refuses a set with a string too few for the instrument', async () => {
    const { body } = await append(chosen([0.254, 0.33]));
    expect(body.outcomes[0].says).toContain('6 entries');
  });

  it('refuses a tuning with a note too few for the instrument', async () => {
    const event = chosen([0.254, 0.33, 0.432, 0.66, 0.914, 1.168]);
    if (event.kind !== 'set-chosen') throw new Error('a set');
    const tuning = { a4Hz: 440, notes: [{ note: 'D4', frequencyHz: null }] };
    const { body } = await append({ ...event, payload: { ...event.payload, tuning } });
    expect(body.outcomes[0].says).toContain('payload.tuning.notes must have 6 entries');
  });

  it('knows no log of a job that does not exist', async () => {
    expect((await technician.ask('GET', `/api/jobs/${uuidV7()}/events`)).status).toBe(404);
  });

  it('gives a long log back in parts, and with a worksheet only what a device has not', async () => {
    const long = await technician.job(131);
    const note = (nth: number): BenchEvent => ({...eventHead(long, technician.personId), kind: 'noted', payload: { text: `note ${nth}` } }); // prettier-ignore
    for (let batch = 0; batch < 2; batch++) await append(...Array.from({ length: 175 }, (_, nth) => note(nth)));
    const first = (await technician.ask('GET', `/api/jobs/${long.id}`)).body;
    expect([first.events.length, first.more]).toEqual([200, true]);
    const rest = (await technician.ask('GET', `/api/jobs/${long.id}/events?after=${first.events.at(-1).seq}`)).body;
    expect([rest.events.length, rest.more]).toEqual([150, false]);
    const known = (await technician.ask('GET', `/api/jobs/${long.id}?after=${rest.events.at(-2).seq}`)).body;
    expect(known.events.map(({ seq }: { seq: number }) => seq)).toEqual([rest.events.at(-1).seq]);
    expect(known.people.map(({ name }: { name: string }) => name)).toContain('Corin Vell');
  });

  it('refuses an event of the day after tomorrow, and takes one that was away for a year', async () => {
    const at = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString();
    const { body } = await append({ ...stripOne(1), at: at(2) }, { ...stripOne(1), at: at(-365) });
    expect(body.outcomes.map(({ outcome }: { outcome: string }) => outcome)).toEqual(['refused', 'stored']);
    expect(body.outcomes[0].says).toContain('set the clock of the device');
  });

  it('gives the log back from a place on', async () => {
    const event = stripOne(5);
    const { body } = await append(event);
    const after = body.outcomes[0].seq - 1;
    const read = await technician.ask('GET', `/api/jobs/${job.id}/events?after=${after}`);
    expect(read.body.events.map((stored: { event: BenchEvent }) => stored.event.id)).toEqual([event.id]);
    expect(Date.parse(read.body.events[0].storedAt)).toBeGreaterThan(Date.now() - 60_000);
  });
});

describe('projections', () => {
  const stateOf = async () => (await house.store.getRepository(JobRow).findOneByOrFail({ id: job.id })).state;
  const currentGauges = async () => {
    const own = { where: { instrumentId: job.instrument.id }, order: { string: 'ASC' } } as const;
    return (await house.store.getRepository(CurrentStringRow).find(own)).map(({ gaugeMm }) => gaugeMm);
  };

  it('follow a job from the rack over the bench into the passport, and back when the hand-over is undone', async () => {
    job = await technician.job(109);
    expect(await stateOf()).toBe('waiting');
    const before = await currentGauges();
    const set = { ...chosen([1.0, 1.6, 2.0, 2.6]) };
    await append(set);
    expect(await stateOf()).toBe('on-bench');
    expect(await currentGauges()).toEqual(before);

    const over: BenchEvent = { ...eventHead(job, technician.personId), kind: 'handed-over', payload: { remark: 'action as before' } };
    await append(over);
    expect(await stateOf()).toBe('handed-over');
    expect(await currentGauges()).toEqual([1.0, 1.6, 2.0, 2.6]);
    const passport = await technician.ask('GET', `/api/instruments/${job.instrument.id}`);
    expect(passport.body.current).toMatchObject({ jobId: job.id, setName: '.010–.046', remark: 'action as before', fittedBy: 'Corin Vell' }); // prettier-ignore
    expect(passport.body.setups.length).toBe(2);

    await append({ ...eventHead(job, technician.personId), kind: 'undone', payload: { eventId: over.id } });
    expect(await stateOf()).toBe('on-bench');
    expect(await currentGauges()).toEqual(before);
  });

  it('come out the same when they are thrown away and made again from the log', async () => {
    const read = async () => ({
      jobs: await house.store.getRepository(JobRow).find({ order: { id: 'ASC' } }),
      setups: await house.store.getRepository(SetupRow).find({ order: { jobId: 'ASC' } }),
      strings: await house.store.getRepository(CurrentStringRow).find({ order: { instrumentId: 'ASC', string: 'ASC' } }),
    });
    const before = await read();
    await house.store.query(`UPDATE job SET state = 'handed-over', stage = 'choose'; DELETE FROM setup; UPDATE current_string SET gauge_mm = 9`); // prettier-ignore
    expect(await read()).not.toEqual(before);
    expect(await rebuild(house.store)).toBe(before.jobs.length);
    expect(await read()).toEqual(before);
  });

  it('write nothing when the transaction fails half way', async () => {
    const event = stripOne(2);
    await house.store.query('ALTER TABLE job RENAME COLUMN stage TO stage_away');
    const { status, body } = await append(event);
    await house.store.query('ALTER TABLE job RENAME COLUMN stage_away TO stage');
    expect(status).toBe(500);
    expect(JSON.stringify(body)).not.toContain('stage_away');
    expect(await countOf(event.id)).toBe(0);
    expect((await append(event)).body.outcomes[0].outcome).toBe('stored');
  });
});

describe('a job of some strings', () => {
  const strings = ['s1', 's2', 's3', 's4', 's5', 's6'].map((_, index) => ({
    construction: 'plain' as const,
    gaugeMm: [0.4, 0.41, 0.42, 0.43, 0.44, 0.45][index] ?? 0,
  }));
  const fitted = async () => {
    const rows = await house.store.getRepository(CurrentStringRow).find({ where: { instrumentId: job.instrument.id }, order: { string: 'ASC' } }); // prettier-ignore
    return rows.map(({ gaugeMm }) => gaugeMm);
  };

  it('leaves the others on the instrument, also when what was fitted before is changed afterwards or all is made anew', async () => {
    const head = () => eventHead(job, technician.personId);
    const before = await fitted();
    expect(before).toHaveLength(6);
    const over: BenchEvent = { ...head(), kind: 'handed-over', payload: { remark: 'string 2 alone' } };
    await append({...head(), kind: 'set-chosen', payload: { name: 'a single', family: 'electric', setId: null, only: [2], strings } }, over); // prettier-ignore
    const after = before.with(1, 0.41);
    expect(await fitted()).toEqual(after);
    await rebuild(house.store);
    expect(await fitted()).toEqual(after);
    await append({ ...head(), kind: 'undone', payload: { eventId: over.id } });
    expect(await fitted()).toEqual(before);
  });
});
