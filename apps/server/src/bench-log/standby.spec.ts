import { v7 as uuidV7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { ensureDatabase } from '../../../../scripts/postgres/database.js';
import { startThrowAwayPair } from '../../../../scripts/postgres/cluster.js';
import { eventHead, openHouse, type TestHouse, DEMO_NOW } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';
import { loadDemo } from '../demo/index.js';

let pair: Awaited<ReturnType<typeof startThrowAwayPair>>;
let servers: TestHouse[];
beforeAll(async () => {
  pair = await startThrowAwayPair();
  const own = await ensureDatabase(pair.primary.url, 'gold_peg');
  const both = own.replace(/@([^/]+)\//, `@$1,127.0.0.1:${new URL(pair.standby.url).port}/`);
  servers = [await openHouse(both), await openHouse(both)];
  await loadDemo(servers[0]?.store ?? never(), DEMO_NOW, 'rack');
}, 90_000);
afterAll(async () => {
  await Promise.all(servers.map((server) => server.close()));
  pair.close();
});

function never(): never {
  throw new Error('there are servers');
}

/** Notes one event after the other until it is told to stop; each is sent again under its id until it is acknowledged, as a device does. */
function writer(visitor: Visitor) {
  const acknowledged: string[] = [];
  let [failures, going] = [0, true];
  const run = async () => {
    const job = await visitor.job(117);
    while (going) {
      const event = { ...eventHead(job, visitor.personId), id: uuidV7(), kind: 'noted', payload: { text: 'under load' } };
      for (let kept = false; !kept && going;) {
        const answer = await visitor.ask('POST', '/api/events', { events: [event] }).catch(() => null);
        kept = answer?.status === 200 && answer.body.outcomes[0].outcome !== 'refused';
        if (kept) acknowledged.push(event.id);
        else failures++;
        if (!kept) await new Promise((resolve) => setTimeout(resolve, 50));
      }
    }
  };
  const done = run();
  return { acknowledged, failures: () => failures, stop: () => ((going = false), done) };
}

const enough = async (writers: readonly { acknowledged: string[] }[], more: number) => {
  const before = writers.map(({ acknowledged }) => acknowledged.length);
  while (writers.some(({ acknowledged }, index) => acknowledged.length < (before[index] ?? 0) + more))
    await new Promise((resolve) => setTimeout(resolve, 20));
};

it('loses no acknowledged event and doubles none where the primary dies under load and its standby is promoted', async () => {
  const visitors = await Promise.all(servers.flatMap((server) => [0, 1].map(() => server.visitor().signIn('technician'))));
  const writers = visitors.map(writer);
  await enough(writers, 15);
  pair.primary.crash();
  const atTheCrash = writers.flatMap(({ acknowledged }) => acknowledged);
  await new Promise((resolve) => setTimeout(resolve, 300));
  pair.standby.promote();
  await enough(writers, 15); // the servers found their way by themselves
  await Promise.all(writers.map(({ stop }) => stop()));
  const acknowledged = writers.flatMap((each) => each.acknowledged);
  expect(acknowledged.length).toBeGreaterThanOrEqual(atTheCrash.length + 4 * 15);
  expect(Math.min(...writers.map(({ failures }) => failures()))).toBeGreaterThan(0);
  const rows: { id: string; n: number }[] = await (servers[1] ?? never()).store.query(
    'SELECT id, count(*)::int AS n FROM bench_event WHERE id = ANY($1) GROUP BY id',
    [acknowledged],
  );
  expect(new Set(rows.map(({ id }) => id))).toEqual(new Set(acknowledged));
  expect(rows.every(({ n }) => n === 1)).toBe(true);
}, 90_000);
