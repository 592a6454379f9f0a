import { afterAll, beforeAll, expect, it } from 'vitest';
import { openHouse, stripped, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

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

it('hears again after the database dropped its connection', async () => {
  const here = await house.visitor().signIn('technician');
  const job = await here.job(109);
  await house.store.query("SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE query ILIKE 'LISTEN%' AND pid <> pg_backend_pid()");
  await new Promise((resolve) => setTimeout(resolve, 900));
  await hear(here, job.id, () => here.ask('POST', '/api/events', { events: [stripped(job, here.personId, 1)] }));
});

it('is for people who are signed in', async () => {
  const stranger = await house.visitor().arrive();
  expect((await stranger.ask('GET', '/api/feed')).status).toBe(401);
});
