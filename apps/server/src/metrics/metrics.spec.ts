import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openHouse, stripped, type TestHouse } from '../testing/house.js';

let house: TestHouse;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house.close());

/** The value of one line. */
async function valueOf(line: string): Promise<number | null> {
  const text = await house.metrics.text();
  const found = text.split('\n').find((each) => each.startsWith(`${line} `));
  return found === undefined ? null : Number(found.slice(line.length + 1));
}

it('counts requests by the path of the table and their status, and appends with how long they took', async () => {
  const technician = await house.visitor().signIn('technician');
  const job = await technician.job(104);
  const before = (await valueOf('gold_peg_request_seconds_count{method="POST",route="/api/events"}')) ?? 0;
  await technician.ask('POST', '/api/events', { events: [stripped(job, technician.personId, 1)] });
  await technician.ask('GET', `/api/jobs/${job.id}`);
  await technician.ask('GET', '/api/jobs/01900000-0000-7000-8000-000000000000');
  await technician.ask('GET', '/api/nothing-of-ours');
  expect(await valueOf('gold_peg_request_seconds_count{method="POST",route="/api/events"}')).toBe(before + 1);
  expect(await valueOf('gold_peg_requests_total{method="GET",route="/api/jobs/:id",status="200"}')).toBe(1);
  expect(await valueOf('gold_peg_requests_total{method="GET",route="/api/jobs/:id",status="404"}')).toBe(1);
  expect(await valueOf('gold_peg_requests_total{method="GET",route="none",status="404"}')).toBe(1);
  expect(await house.metrics.text()).not.toContain(job.id); // nothing of what was asked for
});

it('says who follows the log, how far behind it is told, and what lines to the database do', async () => {
  const technician = await house.visitor().signIn('technician');
  expect(await valueOf('gold_peg_feed_clients')).toBe(0);
  const stop = new AbortController();
  const stream = await fetch(`${technician.address}/api/feed`, { headers: { cookie: technician.cookieHeader }, signal: stop.signal });
  await stream.body?.getReader().read();
  expect(await valueOf('gold_peg_feed_clients')).toBe(1);
  stop.abort();
  await expect.poll(() => valueOf('gold_peg_feed_clients')).toBe(0);
  await expect.poll(() => valueOf('gold_peg_feed_behind_events')).toBe(0);
  const lines = async (state: string) => (await valueOf(`gold_peg_pool_connections{pool="store",state="${state}"}`)) ?? Number.NaN;
  expect((await lines('busy')) + (await lines('idle'))).toBeGreaterThan(0);
  await expect.poll(() => lines('waited for')).toBe(0);
});

it('answers at a port of its own, and nothing else there', async () => {
  const server = await house.metrics.listen(0);
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const answer = await fetch(`${address}/metrics`);
  expect(answer.headers.get('content-type')).toContain('text/plain; version=0.0.4');
  expect(await answer.text()).toContain('# TYPE gold_peg_request_seconds histogram');
  expect((await fetch(`${address}/api/jobs`)).status).toBe(404);
  expect((await fetch(`${address}/metrics`, { method: 'POST' })).status).toBe(404);
  server.closeAllConnections();
  server.close();
});
