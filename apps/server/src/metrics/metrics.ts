import { createServer, type Server } from 'node:http';
import type { RequestHandler } from 'express';
import type { Pool } from 'pg';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import type { DataSource } from 'typeorm';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import type { LogFeed } from '../feed/index.js';

/** Seconds: an append is to be there within 15 ms, a page is felt from 150 ms on. */
const BUCKETS_S = [0.005, 0.015, 0.05, 0.15, 0.5, 1.5, 5];

export interface Metrics {
  /** Counts every request and how long it took, by the path of the table and not by what was asked for in it. */
  count: RequestHandler;
  /** All of it in the text format of Prometheus. */
  text(): Promise<string>;
  /** Answers `GET /metrics` at a port of its own, on loopback: who may read it is for the network of the house to say. */
  listen(port: number): Promise<Server>;
}

/** What somebody who runs the house wants to see of this server. Each server has its own. */
export function openMetrics({ store, pool, feed }: { store: DataSource; pool: Pool; feed: LogFeed }): Metrics {
  const registers = [new Registry()];
  const [register] = registers as [Registry];
  collectDefaultMetrics({ register });
  const labelNames = ['method', 'route', 'status'] as const;
  const requests = new Counter({ name: 'gold_peg_requests_total', help: 'Requests that were answered', labelNames, registers });
  const seconds = new Histogram({
    ...{ name: 'gold_peg_request_seconds', help: 'How long they took; appends are route /api/events' },
    ...{ labelNames: ['method', 'route'] as const, buckets: BUCKETS_S, registers },
  });
  new Gauge({
    ...{ name: 'gold_peg_feed_clients', help: 'Browsers that follow the log here', registers },
    collect() {
      this.set(feed.listening());
    },
  });
  const pools = { store: (store.driver as unknown as { master: Pool }).master, sessions: pool };
  new Gauge({
    ...{ name: 'gold_peg_pool_connections', help: 'Lines to the database', labelNames: ['pool', 'state'] as const, registers },
    collect() {
      for (const [name, { totalCount, idleCount, waitingCount }] of Object.entries(pools)) {
        this.set({ pool: name, state: 'busy' }, totalCount - idleCount);
        this.set({ pool: name, state: 'idle' }, idleCount);
        this.set({ pool: name, state: 'waited for' }, waitingCount);
      }
    },
  });
  // asks the database itself: lines are counted before it does
  new Gauge({
    ...{ name: 'gold_peg_feed_behind_events', help: 'Events that were committed and not told here yet', registers },
    async collect() {
      const [row] = await store.query<{ seq: number }[]>('SELECT coalesce(max(seq), 0)::float8 AS seq FROM bench_event');
      this.set(Math.max(0, (row?.seq ?? 0) - (feed.toldUpTo() ?? 0)));
    },
  });
  return {
    count(request, response, next) {
      const since = process.hrtime.bigint();
      response.on('finish', () => {
        const route = routeOf(request.route);
        requests.inc({ method: request.method, route, status: response.statusCode });
        if (route !== ENDPOINTS.feed.path)
          seconds.observe({ method: request.method, route }, Number(process.hrtime.bigint() - since) / 1e9);
      });
      next();
    },
    text: () => register.metrics(),
    listen: (port) =>
      new Promise((resolve, reject) => {
        const server = createServer((request, response) => {
          if (request.method !== 'GET' || request.url !== '/metrics') return void response.writeHead(404).end();
          register.metrics().then(
            (text) => response.writeHead(200, { 'content-type': register.contentType }).end(text),
            () => response.writeHead(503).end(),
          );
        });
        server.once('error', reject);
        server.listen(port, '127.0.0.1', () => resolve(server));
      }),
  };
}

/** What no route of ours answered is one thing, however it was called. */
const routeOf = (route: unknown): string => (route as { path?: string } | undefined)?.path ?? 'none';
