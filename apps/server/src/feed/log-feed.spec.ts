import { pino } from 'pino';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { DEMO_COUNTER } from '../demo/people.js';
import { openHouse, stripped, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';
import { openFeed } from './log-feed.js';

let house: TestHouse;
let other: TestHouse;

beforeAll(async () => {
  house = await openHouse();
  other = await house.secondServer();
});
afterAll(async () => {
  await other.close();
  await house.close();
});

/** Reads a stream of server-sent events until a line holds the text; gives up after two seconds. */
async function hear(visitor: Visitor, text: string, meanwhile: () => Promise<unknown>): Promise<number> {
  const stop = new AbortController();
  const response = await fetch(`${visitor.address}/api/feed`, { headers: { cookie: visitor.cookieHeader }, signal: stop.signal });
  expect(response.headers.get('content-type')).toBe('text/event-stream');
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
  const timer = setTimeout(() => stop.abort(), 2000);
  await reader?.read(); // the line stands
  const began = Date.now();
  await meanwhile();
  try {
    for (;;) {
      const chunk = await reader?.read();
      if (chunk?.done !== false) throw new Error('the stream ended');
      if (chunk.value.includes(text)) return Date.now() - began;
    }
  } finally {
    clearTimeout(timer);
    stop.abort();
  }
}

it('tells a browser at one server within a second what another server committed', async () => {
  const [here, there] = [await house.visitor().signIn('technician'), await other.visitor().signIn('owner')];
  const job = await here.job(104);
  const waited = await hear(there, job.id, () => here.ask('POST', '/api/events', { events: [stripped(job, here.personId, 1)] }));
  expect(waited).toBeLessThan(1000);
});

it('tells, once it hears the database again, what was committed while it did not', async () => {
  const here = await house.visitor().signIn('technician');
  const job = await here.job(109);
  await hear(here, job.id, async () => {
    await house.store.query("SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE application_name = 'gold-peg feed'");
    await here.ask('POST', '/api/events', { events: [stripped(job, here.personId, 1)] });
  });
});

it('tells every one of many lines each change once, in its order, and nobody who has left', async () => {
  const here = await house.visitor().signIn('technician');
  const [first, second] = [await here.job(104), await here.job(109)];
  const feed = openFeed(house.databaseUrl, pino({ level: 'silent' }));
  try {
    await feed.up;
    const lines = Array.from({ length: 25 }, () => {
      const heard: string[] = [];
      const deaf = feed.listen({
        changed: (messages) => void heard.push(...messages.map(({ jobId }) => jobId)),
        sessionsEnded: () => undefined,
        stopping: () => undefined,
      });
      return { heard, deaf };
    });
    const [gone, ...rest] = lines;
    gone?.deaf();
    expect(feed.listening()).toBe(24);
    for (const job of [first, second]) {
      await here.ask('POST', '/api/events', { events: [stripped(job, here.personId, 1)] });
      await vi.waitFor(() => expect(rest.every(({ heard }) => heard.at(-1) === job.id)).toBe(true));
    }
    for (const { heard } of rest) expect(heard).toEqual([first.id, second.id]);
    expect(gone?.heard).toEqual([]);
  } finally {
    await feed.stop();
  }
});

it.each([
  ['signing out', (there: Visitor) => there.ask('DELETE', '/api/session')],
  [
    'a passphrase that was changed elsewhere',
    async () => {
      const elsewhere = await other.visitor().signIn('counter');
      const [old, next] = [DEMO_COUNTER.passphrase, 'a tide table and a tuning fork'];
      await elsewhere.ask('PUT', '/api/session/passphrase', { old, new: next });
      await elsewhere.ask('PUT', '/api/session/passphrase', { old: next, new: old });
    },
  ],
])('ends with its session: %s', async (_what, end) => {
  const there = await house.visitor().signIn('counter');
  await expect(hear(there, 'event: log', () => end(there))).rejects.toThrow('the stream ended');
  expect((await there.ask('GET', '/api/jobs')).status).toBe(401);
});

it('is for people who are signed in', async () => {
  const stranger = await house.visitor().arrive();
  expect((await stranger.ask('GET', '/api/feed')).status).toBe(401);
});
