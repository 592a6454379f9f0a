import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { DEMO_COUNTER, DEMO_SIGN_IN } from '../demo/people.js';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

let house: TestHouse;
let visitor: Visitor;
beforeEach(async () => {
  house = await openHouse();
  visitor = await house.visitor().arrive();
});
afterEach(() => house.close());

async function tries(names: readonly string[]): Promise<number[]> {
  const statuses: number[] = [];
  for (const name of names) statuses.push((await visitor.ask('POST', '/api/session', { name, passphrase: 'wrong' })).status);
  return statuses;
}

describe('guessing', () => {
  it('at a name ends after ten failures, however the name is written, and others need not wait', async () => {
    const ways = (name: string) => [name, ` ${name}`, `${name}\t`, `\ufeff${name}`, name.toUpperCase(), `\u00a0${name} `];
    const statuses = await tries([...ways(DEMO_COUNTER.name), ...ways(DEMO_COUNTER.name)]);
    expect(statuses).toEqual([...Array(10).fill(401), 429, 429]);
    expect((await visitor.ask('POST', '/api/session', DEMO_COUNTER)).status).toBe(429);
    expect((await visitor.ask('POST', '/api/session', DEMO_SIGN_IN)).status).toBe(200);
  });

  it('at many names from one address ends as well', async () => {
    const statuses = await tries(Array.from({ length: 62 }, (_, index) => `Guessed Name ${index}`));
    expect(statuses.slice(58)).toEqual([401, 401, 429, 429]);
  });

  it('at the old passphrase from a session that was left open ends after ten', async () => {
    const there = await house.visitor().signIn('counter');
    const guess = () => there.ask('PUT', '/api/session/passphrase', { old: 'not it', new: 'a tide table and a tuning fork' });
    const statuses: number[] = [];
    for (let times = 0; times < 11; times++) statuses.push((await guess()).status);
    expect(statuses).toEqual([...Array(10).fill(422), 429]);
  });
});

describe('sessions', () => {
  it('are not made for strangers who only look', async () => {
    for (const path of ['/api/session', '/api/health', '/api/ready', '/api/jobs', '/api/openapi.json']) await visitor.ask('GET', path);
    expect(visitor.cookieHeader).toBe('');
    expect(await house.store.query('SELECT sid FROM session')).toEqual([]);
  });

  it('of a person end with a changed passphrase, but for the one it was changed in', async () => {
    const [here, there] = [await house.visitor().signIn('counter'), await house.visitor().signIn('counter')];
    const other = await house.visitor().signIn('owner');
    await here.ask('PUT', '/api/session/passphrase', { old: DEMO_COUNTER.passphrase, new: 'a tide table and a tuning fork' });
    expect((await there.ask('GET', '/api/jobs')).status).toBe(401);
    expect((await here.ask('GET', '/api/jobs')).status).toBe(200);
    expect((await other.ask('GET', '/api/jobs')).status).toBe(200);
  });
});
