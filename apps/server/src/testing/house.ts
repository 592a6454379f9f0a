import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino, type Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { v4 as uuidV4, v7 as uuidV7 } from 'uuid';
import type { JobSummary } from '@gold-peg/contract/jobs';
import type { BenchEvent } from '@gold-peg/craft/worksheet';
import { askForRebuild, rebuildWhereAsked } from '../bench-log/index.js';
import type { DemoScale } from '../demo/load-demo.js';
import { DEMO_SIGN_IN } from '../demo/people.js';
import { openFeed } from '../feed/log-feed.js';
import { openMetrics, type Metrics } from '../metrics/index.js';
import { buildApp } from '../http/index.js';
import { openStore, poolFor } from '../store/index.js';
import { fillTables } from '../strings/fill-tables.js';
import { demoDatabase } from './demo-database.js';
import { Visitor } from './visitor.js';

export { DEMO_NOW } from './demo-database.js';

/** A whole server on a real database of its own. */
export interface TestHouse {
  store: DataSource;
  metrics: Metrics;
  databaseUrl: string;
  /** Somebody with a browser of their own, not signed in yet. */
  visitor(): Visitor;
  /** Serves the same database once more, as a second process would. */
  secondServer(): Promise<TestHouse>;
  close(): Promise<void>;
}

export async function openHouse(
  databaseUrl?: string,
  log: Logger = pino({ level: 'silent' }),
  scale: DemoScale = 'rack',
  clock: () => Date = () => new Date(),
  copiesFolder?: string,
): Promise<TestHouse> {
  const url = databaseUrl ?? (await demoDatabase(scale));
  const store = await openStore(url);
  await fillTables(store);
  const pool = poolFor(url, { max: 3, connectionTimeoutMillis: 3000 });
  pool.on('error', (error) => log.warn({ err: error }, 'a session connection was lost'));
  const feed = openFeed(url, log);
  const metrics = openMetrics({ store, pool, feed });
  const copies = copiesFolder === undefined ? null : { store, url, folder: copiesFolder };
  const server = createServer(
    buildApp({ store, pool, feed, metrics, clock, log, sessionSecret: 'a secret of the tests', demoSignIn: DEMO_SIGN_IN, copies }),
  );
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    store,
    metrics,
    databaseUrl: url,
    visitor: () => new Visitor(address),
    secondServer: () => openHouse(url),
    async close() {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await feed.stop();
      await pool.end();
      await store.destroy();
    },
  };
}

/** Makes all projections again from the log. */
export async function rebuild(store: DataSource): Promise<number> {
  await askForRebuild(store);
  return rebuildWhereAsked(store, 3);
}

type Job = Pick<JobSummary, 'id'> & { instrument: { id: string } };

/** Head of an event as this person's device would make it. */
export const eventHead = (job: Job, personId: string) => ({
  id: uuidV7(),
  version: 1 as const,
  jobId: job.id,
  instrumentId: job.instrument.id,
  personId,
  deviceId: uuidV4(),
  at: new Date().toISOString(),
});

export const stripped = (job: Job, personId: string, string: number): BenchEvent => ({
  ...eventHead(job, personId),
  kind: 'string-off',
  string,
  payload: {},
});
