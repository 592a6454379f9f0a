import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { toCountedTurns } from '@gold-peg/contract/bench-log';
import type { JobSummary, WorksheetFile } from '@gold-peg/contract/jobs';
import { calibrate } from '@gold-peg/craft/calibration';
import type { BenchEvent, CountedPayload } from '@gold-peg/craft/worksheet';
import { eventHead, openHouse, type TestHouse, rebuild } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

let house: TestHouse;
let technician: Visitor;
let job: JobSummary;

beforeAll(async () => {
  house = await openHouse();
  technician = await house.visitor().signIn('technician');
  job = await technician.job(104);
});
afterAll(() => house.close());

const send = (...events: BenchEvent[]) => technician.ask('POST', '/api/events', { events });
const sheet = async () => (await technician.ask('GET', `/api/jobs/${job.id}`)).body as WorksheetFile;
const ownCounts = async () => (await sheet()).evidence.filter(({ jobId }) => jobId === job.id);
const wound = (string: number): BenchEvent => ({
  ...eventHead(job, technician.personId),
  kind: 'wound',
  string,
  payload: { turns: 3, slackMm: 60, cutBeyondPostMm: 75, nutDeg: 8 },
});
const payload: CountedPayload = { turns: 2.75, slackMm: 59, stretchMm: 4, postDiameterMm: 6.3, stringDiameterMm: 0.254, nutToPostMm: 163 };
const count = (string: number, turns: number): BenchEvent => ({
  ...eventHead(job, technician.personId),
  kind: 'turns-counted',
  string,
  payload: { ...payload, turns },
});

describe('who did what', () => {
  it('comes with the worksheet by name: all that its events tell of, and whoever asks', async () => {
    const owner = await house.visitor().signIn('owner');
    const bench = await technician.job(117);
    const { people } = (await owner.ask('GET', `/api/jobs/${bench.id}`)).body as WorksheetFile;
    expect(people.map(({ name }) => name).sort()).toEqual(['Corin Vell', 'Wenna Tarrow']);
  });
});

describe('turns that were counted', () => {
  it('come back with the worksheet as evidence, with whose and where, the latest count of a string alone', async () => {
    const first = count(1, 2.5);
    await send(wound(1), first, count(1, 2.75));
    expect(await ownCounts()).toMatchObject([{ string: 1, turns: 2.75, personName: 'Corin Vell', instrumentName: 'Brindle six, sea green' }]); // prettier-ignore
  });

  it('bear on this instrument by anybody and on this person anywhere: the demo counted on others', async () => {
    const { evidence } = await sheet();
    expect(evidence.some(({ instrumentId }) => instrumentId !== job.instrument.id)).toBe(true);
    const { leaves } = calibrate(evidence.map(toCountedTurns));
    expect(leaves(technician.personId).count).toBe(evidence.length);
    const owner = await house.visitor().signIn('owner');
    const seen = (await owner.ask('GET', `/api/jobs/${job.id}`)).body as WorksheetFile;
    expect(seen.evidence.every(({ instrumentId }) => instrumentId === job.instrument.id)).toBe(true);
  });

  it('go with the winding they were of, and rebuild from the log', async () => {
    const again = wound(2);
    await send(again, count(2, 3));
    expect((await ownCounts()).length).toBe(2);
    await send({ ...eventHead(job, technician.personId), kind: 'undone', payload: { eventId: again.id } });
    expect((await ownCounts()).map(({ string }) => string)).toEqual([1]);
    await send({ ...eventHead(job, technician.personId), kind: 'scrapped', string: 1, payload: { why: 'kinked' } });
    expect(await ownCounts()).toEqual([]);
    const before = (await sheet()).evidence;
    await rebuild(house.store);
    expect((await sheet()).evidence).toEqual(before);
  });

  it('bear on the hand of whoever wound, whoever counts', async () => {
    const owner = await house.visitor().signIn('owner');
    await send(wound(4));
    const counted = { ...count(4, 2), personId: owner.personId };
    await owner.ask('POST', '/api/events', { events: [counted] });
    expect((await ownCounts()).find(({ string }) => string === 4)).toMatchObject({ turns: 2, personName: 'Corin Vell' });
  });

  it('are refused where no post could hold them', async () => {
    const { body } = await send(count(3, 40));
    expect(body.fields?.[0]?.says ?? body.outcomes?.[0]?.says).toContain('between 0 and 20');
  });
});
