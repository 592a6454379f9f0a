import type { SessionData } from 'express-session';
import { pino } from 'pino';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { poolFor } from '../store/index.js';
import { openHouse, type TestHouse } from '../testing/house.js';
import { sessionStore } from './session-store.js';

let house: TestHouse;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house.close());

it('lets an answer be an answer where it cannot be written that a session was used, and writes it at the next request', async () => {
  const said: string[] = [];
  const log = pino({ level: 'warn' }, { write: (line: string) => void said.push((JSON.parse(line) as { msg: string }).msg) });
  const pool = poolFor(house.databaseUrl, { max: 1 });
  const store = sessionStore(pool, log);
  const data = { cookie: { originalMaxAge: 60_000, expires: new Date(Date.now() + 60_000) } } as SessionData;
  const touch = () => new Promise<unknown[]>((done) => store.touch?.('a session', data, (...told: unknown[]) => done(told)));
  try {
    await pool.query(`INSERT INTO session (sid, sess, expire) VALUES ('a session', '{}', now())`);
    await pool.query('ALTER TABLE session RENAME TO carried_away');
    expect(await touch()).toEqual([]); // an error here would be answered once more, after its answer
    expect(said).toEqual(['that a session was used could not be written']);
    await pool.query('ALTER TABLE carried_away RENAME TO session');
    expect(await touch()).toEqual([]);
    const left = `SELECT extract(epoch FROM expire - now())::float8 AS left FROM session WHERE sid = 'a session'`;
    const { rows } = await pool.query<{ left: number }>(left);
    expect(rows[0]?.left).toBeGreaterThan(50);
    expect(said).toHaveLength(1);
  } finally {
    await pool.end();
  }
});
