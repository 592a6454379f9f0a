import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { pino } from 'pino';
import { v7 as uuidV7 } from 'uuid';
import { startThrowAwayCluster } from '../../../../scripts/postgres/cluster.js';
import { eventHead, openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

const lines: string[] = [];
let house: TestHouse;
let bench: Visitor;
beforeAll(async () => {
  house = await openHouse(undefined, pino({ level: 'error' }, { write: (line) => void lines.push(line) }));
  bench = await house.visitor().signIn('technician');
});
afterAll(() => house.close());

const owner = (name: unknown) => ({ id: uuidV7(), name, contact: '' });
const NOBODYS = '01900000-0000-7000-8000-000000000000';

describe('what the database cannot keep', () => {
  it.each<[string, string, string, unknown]>([
    ['a null sign in a text', 'POST', '/api/owners', owner('a\0b')],
    ['half a pair of signs', 'POST', '/api/owners', `{"id":"${NOBODYS}","name":"\\ud800","contact":""}`],
    ['a null sign in a search', 'GET', '/api/instruments?search=%00', undefined],
    ['a null sign in the name of a field', 'POST', '/api/owners', { ...owner('x'), 'a\0': 1 }],
  ])('%s is refused with a sentence', async (_what, method, path, body) => {
    const answer = await bench.ask(method, path, body);
    expect(answer.status).toBe(400);
    expect(answer.body.detail).toMatch(/must not hold/);
  });

  it('is refused in a note of the log as well', async () => {
    const event = { ...eventHead(await bench.job(104), bench.personId), kind: 'noted', payload: { text: 'buzz\0' } };
    const { status, body } = await bench.ask('POST', '/api/events', { events: [event] });
    expect(status).toBe(400);
    expect(body.detail).toContain('events.0.payload.text must not hold the null sign');
  });

  it('a version that no row can have is no version', async () => {
    for (const version of [2 ** 31, 1e300, 1.5, 0]) {
      const { status, body } = await bench.ask('PUT', `/api/owners/${NOBODYS}`, { name: 'x', contact: '', version });
      expect(status).toBe(400);
      expect(body.detail).toContain('version must be the version that was read');
    }
  });

  it.each<[unknown, number]>([
    [{ toString: 1 }, 400],
    [{ constructor: null }, 400],
    [[[['a']]], 400],
    [17, 422],
    [null, 422],
  ])('a name that is %j is no name, whoever asks', async (name, refused) => {
    const stranger = await house.visitor().arrive();
    const signIn = await stranger.ask('POST', '/api/session', { name, passphrase: 'x' });
    expect([signIn.status, signIn.body.fields?.[0].field]).toEqual([refused, 'name']);
    expect((await bench.ask('POST', '/api/owners', owner(name))).body.fields[0].field).toBe('name');
    expect((await bench.ask('GET', '/api/instruments?search[a]=1&search[b][c]=2')).status).toBeLessThan(500);
  });
});

describe('one small request', () => {
  const sent = async (path: string, body: unknown) => {
    const answer = await bench.ask('POST', path, body);
    return { ...answer, size: JSON.stringify(answer.body).length };
  };
  const file = (kind: string, format: string, text: string) => sent('/api/files', { kind, format, text, write: false });

  it.each([
    ['890,000 commas', 'csv', ','.repeat(890_000), 'at most 100 columns'],
    ['400,000 lines', 'csv', `id,line,name,family,strings\n${'\n,'.repeat(200_000)}`, 'at most 5000 rows'],
    ['300,000 empty rows', 'json', `{"gold-peg":"sets","version":1,"rows":[${'{},'.repeat(280_000)}{}]}`, 'at most 5000 rows'],
    ['lists in lists', 'json', '['.repeat(400_000), 'lists and objects inside one another'],
  ])('with a file of %s is refused before it is read', async (_what, format, text, says) => {
    const { status, body, size } = await file('sets', format, text);
    expect(status).toBe(200);
    expect(body.problems).toHaveLength(1);
    expect(body.problems[0].says).toContain(says);
    expect(size).toBeLessThan(1000);
  });

  it('with a fault in every row is told a hundred', async () => {
    const { body, size } = await file('sets', 'csv', `id,line,name,family,strings\n${'A,,,zither,\n'.repeat(4000)}`);
    expect(body.problems).toHaveLength(100);
    expect(size).toBeLessThan(100_000);
  });

  it.each([
    ['300,000 families', '/api/tunings', { id: 'x1', name: 'x', families: Array(300_000).fill(''), notes: ['E4'] }],
    ['60,000 unknown fields', '/api/owners', Object.fromEntries(Array.from({ length: 60_000 }, (_, index) => [`f${index}`, 0]))],
    ['4,000 unknown fields', '/api/owners', Object.fromEntries(Array.from({ length: 4000 }, (_, index) => ['f'.repeat(200) + index, 0]))],
    ['thirty lists in one another', '/api/owners', `${'['.repeat(30)}${']'.repeat(30)}`],
    ['a sign-in of 3 kB', '/api/session', { name: 'x'.repeat(3000), passphrase: 'x' }],
  ])('with %s gets a short answer', async (_what, path, body) => {
    const { status, size } = await sent(path, body);
    expect([400, 413, 422]).toContain(status);
    expect(size).toBeLessThan(100_000);
  });
});

describe('when something fails', () => {
  it('the log holds the stack, and the answer does not', async () => {
    await house.store.query('ALTER TABLE owner RENAME COLUMN contact TO contact_away');
    const { status, body } = await bench.ask('GET', '/api/owners');
    await house.store.query('ALTER TABLE owner RENAME COLUMN contact_away TO contact');
    expect(status).toBe(500);
    expect(JSON.stringify(body)).not.toContain('contact_away');
    expect(JSON.parse(lines.at(-1) ?? '{}')).toMatchObject({ path: '/api/owners', err: { stack: expect.stringMatching(/\n\s+at /) } });
  });

  it('because the database crashed, every answer says so until it is back', async () => {
    const cluster = await startThrowAwayCluster({ durable: true });
    const crashed = await openHouse(cluster.url);
    const there = await crashed.visitor().arrive();
    const seen = new Set<number>();
    let asking = true;
    const ask = async () => {
      while (asking) for (const path of ['/api/health', '/api/ready']) seen.add((await there.ask('GET', path)).status);
    };
    const all = Promise.all([ask(), ask(), ask()]);
    await new Promise((resolve) => setTimeout(resolve, 200));
    cluster.crash();
    await new Promise((resolve) => setTimeout(resolve, 300));
    await cluster.revive();
    await new Promise((resolve) => setTimeout(resolve, 300));
    asking = false;
    await all;
    expect([...seen].sort()).toEqual([200, 503]);
    expect((await there.ask('GET', '/api/ready')).status).toBe(200);
    await crashed.close();
    cluster.stop();
  });
});
