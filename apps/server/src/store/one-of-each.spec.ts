import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { v4 as uuidV4, v7 as uuidV7 } from 'uuid';
import type { BenchEvent } from '@gold-peg/craft/worksheet';
import { ensureDatabase } from '../../../../scripts/postgres/database.js';
import { eventHead, openHouse, type TestHouse } from '../testing/house.js';
import type { Answer, Visitor } from '../testing/visitor.js';
import { fillTables } from '../strings/fill-tables.js';
import { openStore, sharedSecret } from './index.js';

let house: TestHouse;
let owner: Visitor;
beforeAll(async () => {
  house = await openHouse();
  owner = await house.visitor().signIn('owner');
});
afterAll(() => house.close());

const statuses = (answers: readonly Answer[]) => answers.map(({ status }) => status).sort();
const rows = async (sql: string, ...values: unknown[]) => (await house.store.query(sql, values)) as { n: number }[];

describe('there is one of each', () => {
  it('open job of an instrument, however many ask at once; who comes late is shown it', async () => {
    const [instrument] = (await owner.ask('GET', '/api/instruments?search=0133')).body.instruments;
    const draft = () => ({ id: uuidV7(), instrumentId: instrument.id, reason: '', promisedAt: null });
    const answers = await Promise.all(Array.from({ length: 4 }, () => owner.ask('POST', '/api/jobs', draft())));
    expect(statuses(answers)).toEqual([201, 409, 409, 409]);
    const taken = answers.find(({ status }) => status === 201)?.body;
    for (const { status, body } of answers) if (status === 409) expect(body.current.id).toBe(taken.id);
  });

  it('open job of an instrument, also when a hand-over is taken back after it came again', async () => {
    const job = await owner.job(104);
    const send = async (event: BenchEvent) => (await owner.ask('POST', '/api/events', { events: [event] })).body.outcomes[0];
    const over: BenchEvent = { ...eventHead(job, owner.personId), kind: 'handed-over', payload: { remark: '' } };
    await send(over);
    const again = { id: uuidV7(), instrumentId: job.instrument.id, reason: 'buzzes', promisedAt: null };
    expect((await owner.ask('POST', '/api/jobs', again)).status).toBe(201);
    const back: BenchEvent = { ...eventHead(job, owner.personId), kind: 'undone', payload: { eventId: over.id } };
    expect(await send(back)).toMatchObject({ outcome: 'refused', says: expect.stringContaining('was taken in again since') });
    const open = `SELECT count(*)::int AS n FROM job WHERE instrument_id = $1 AND state <> 'handed-over'`;
    const [{ n } = { n: 0 }] = await rows(open, job.instrument.id);
    expect(n).toBe(1);
  });

  it('person of a name, whatever its capitals', async () => {
    const named = (name: string) => ({ id: uuidV7(), name, role: 'technician', passphrase: 'wind it down and true' });
    const answers = await Promise.all(['Pip Sallow', 'PIP SALLOW', 'pip sallow'].map((name) => owner.ask('POST', '/api/people', named(name)))); // prettier-ignore
    expect(statuses(answers)).toEqual([201, 409, 409]);
  });

  it('thing for a request that is sent again, and its answer is the same', async () => {
    const draft = { id: uuidV7(), name: 'Lowen Thrift', contact: 'ferry house' };
    const answers = await Promise.all(Array.from({ length: 4 }, () => owner.ask('POST', '/api/owners', draft)));
    expect(statuses(answers)).toEqual([201, 201, 201, 201]);
    expect(new Set(answers.map(({ body }) => JSON.stringify(body))).size).toBe(1);
    const other = await owner.ask('POST', '/api/owners', { ...draft, name: 'Somebody Else' });
    expect(other.status).toBe(409);
    expect(other.body.current).toMatchObject({ name: 'Lowen Thrift' });
    const order = { id: uuidV7(), lines: [{ kind: 'string', id: 'electric-plain-09', amount: 2 }] };
    const orders = await Promise.all([1, 2].map(() => owner.ask('POST', '/api/stock/orders', order)));
    expect(statuses(orders)).toEqual([201, 201]);
    expect(await rows('SELECT count(*)::int AS n FROM supply_order WHERE id = $1', order.id)).toEqual([{ n: 1 }]);
  });

  it('tuning under an id: what comes second is shown the first, and overwrites nothing', async () => {
    const tuning = { id: 'all-fifths', name: 'All fifths', families: ['electric'], notes: ['E4', 'A3', 'D3', 'G2', 'C2', 'F1'] };
    const answers = await Promise.all(['All fifths', 'Other name'].map((name) => owner.ask('POST', '/api/tunings', { ...tuning, name })));
    expect(statuses(answers)).toEqual([201, 409]);
    const [first, second] = [...answers].sort((a, b) => a.status - b.status);
    expect(second?.body.current).toEqual(first?.body);
  });

  it('way to write an id', async () => {
    const draft = { id: uuidV7().toUpperCase(), name: 'Lowen Thrift', contact: '' };
    const { status, body } = await owner.ask('POST', '/api/owners', draft);
    expect(status).toBe(422);
    expect(body.detail).toContain('id must be written in small letters');
  });

  it('and nothing derived that belongs to nothing, or cannot be', async () => {
    const [{ id: jobId, instrument_id: instrumentId }] = await house.store.query('SELECT id, instrument_id FROM job LIMIT 1');
    const put = (instrument: string, job: string, string: number) =>
      house.store.query(`INSERT INTO current_string VALUES ($1, $2, $3, 'plain', 0.25, null)`, [instrument, string, job]);
    await expect(put(instrumentId, uuidV7(), 20)).rejects.toThrow('current_string_of_job');
    await expect(put(uuidV7(), jobId, 20)).rejects.toThrow('current_string_of_instrument');
    await expect(put(instrumentId, jobId, 0)).rejects.toThrow('current_string_range');
  });
});

describe('servers that start together', () => {
  it('bring an empty database up to date once, and agree about the secret of their sessions', async () => {
    const url = await ensureDatabase(inject('clusterUrl'), `together_${uuidV4().replaceAll('-', '')}`);
    const stores = await Promise.all(Array.from({ length: 4 }, () => openStore(url)));
    await Promise.all(stores.map(fillTables));
    const secrets = await Promise.all(stores.map((store) => sharedSecret(store, 'session')));
    expect(new Set(secrets).size).toBe(1);
    expect(secrets[0]).toMatch(/^[0-9a-f]{64}$/);
    await Promise.all(stores.map((store) => store.destroy()));
  });
});
