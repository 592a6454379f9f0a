import { Writable } from 'node:stream';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 as uuidV7 } from 'uuid';
import { ENDPOINTS, type Endpoint } from '@gold-peg/contract/endpoints';
import { DEMO_SIGN_IN } from '../demo/people.js';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

const written: string[] = [];
let house: TestHouse;
beforeAll(async () => {
  const stream = new Writable({ write: (chunk: Buffer, _encoding, done) => (written.push(chunk.toString()), done()) });
  house = await openHouse(undefined, pino({ level: 'trace' }, stream));
});
afterAll(() => house.close());

describe('secrets', () => {
  it('stand in no log, whatever fails', async () => {
    const visitor = await house.visitor().signIn('owner');
    const session = visitor.cookieHeader;
    await house.visitor().ask('POST', '/api/session', { name: DEMO_SIGN_IN.name, passphrase: 'a passphrase that is wrong' });
    await house.store.query('ALTER TABLE act RENAME TO act_gone'); // whatever is written down fails
    const failed = await house.visitor().ask('POST', '/api/session', DEMO_SIGN_IN);
    await house.store.query('ALTER TABLE act_gone RENAME TO act');
    expect(failed.status).toBe(500);
    const log = written.join('\n');
    expect(log).toContain('act'); // it was written to the log
    for (const secret of [DEMO_SIGN_IN.passphrase, 'a passphrase that is wrong', session]) expect(log).not.toContain(secret);
  });
});

describe('somebody else’s token', () => {
  const changing = Object.entries<Endpoint>(ENDPOINTS).filter(([, { method, who }]) => method !== 'GET' && who !== 'anyone');

  it.each(changing)('does not let %s be done', async (_name, { method, path }) => {
    const [own, other] = [await signedIn(), await signedIn()];
    const address = path.replace(':id', '01900000-0000-7000-8000-000000000000');
    const answer = await own.ask(method, address, method === 'DELETE' ? undefined : {}, { 'x-csrf-token': other.csrf });
    expect([answer.status, answer.body.type]).toEqual([403, '/problems/forged-request']);
  });
});

/** Sessions of two people, made once: signing in is slow on purpose. */
const sessions: (Visitor & { csrf: string })[] = [];
let turn = 0;
async function signedIn(): Promise<Visitor & { csrf: string }> {
  if (sessions.length < 2) {
    const visitor = await house.visitor().signIn(sessions.length === 0 ? 'owner' : 'technician');
    const { csrfToken } = (await visitor.ask('GET', '/api/session')).body as { csrfToken: string };
    sessions.push(Object.assign(visitor, { csrf: csrfToken, id: uuidV7() }));
  }
  return sessions[turn++ % 2] as Visitor & { csrf: string };
}
