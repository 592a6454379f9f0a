import pg from 'pg';
import { freePort, startThrowAwayCluster } from '../../postgres/cluster.js';
import { ensureDatabase } from '../../postgres/database.js';
import { serverCommand, startServer, stopProcess } from '../../server-process.js';
import { MOST_EVENTS } from '@gold-peg/contract/endpoints';
import { crowd, CROWD, weekOffline, type CrowdTold } from './crowd.js';
import { archiveOfAll, exportOfLog } from './export.js';
import { fill, SIZE } from './fill.js';
import { askAll, openJobs, type Row, type Visitor } from './questions.js';
import { partitions } from './partitions.js';
import { watchMemory, type Watched } from './resident.js';

/** What an archive may hold of a house at once. */
const ARCHIVE_HEAP_MB = 256;

/** What a device notes in a week without the house. */
const AWAY_EVENTS = 10_000;

const TECHNICIAN = { name: 'Corin Vell', passphrase: 'four turns below the hole' };

/** A house with a hundred thousand instruments: made, asked, and thrown away. */
export async function largeHouse(root: string): Promise<Row[]> {
  const cluster = await startThrowAwayCluster({ durable: true });
  try {
    const databaseUrl = await ensureDatabase(cluster.url, 'gold_peg');
    serverCommand({ root, databaseUrl }, 'demo');
    const began = performance.now();
    await fill(databaseUrl);
    const many = (count: number) => count.toLocaleString('en-GB');
    console.log(
      `\nFilled with ${many(SIZE.instruments)} instruments, ${many(SIZE.owners)} owners and about ${many(SIZE.events)} events in ${((performance.now() - began) / 1000).toFixed(0)} s`,
    );
    const { child, address } = await startServer({
      root,
      databaseUrl,
      port: await freePort(),
      secret: 'a secret of the bench',
      demo: true,
    });
    const client = new pg.Client({ connectionString: databaseUrl });
    await client.connect();
    try {
      const visitor = await signIn(address);
      const pid = child.pid ?? 0;
      const rows = await askAll(client, visitor);
      console.log(await exportOfLog(visitor, pid));
      const visitors: Visitor[] = [];
      for (let nth = 0; nth < CROWD.listening + CROWD.appending; nth++) visitors.push(await signIn(address));
      const jobs = await openJobs(client);
      console.log(sayCrowd(await watchMemory(pid, () => crowd(visitors, jobs))));
      console.log(sayWeek(await watchMemory(pid, () => weekOffline(visitor, jobs, AWAY_EVENTS, MOST_EVENTS))));
      console.log(await partitions(client, jobs));
      console.log(archiveOfAll(root, databaseUrl, ARCHIVE_HEAP_MB));
      return rows;
    } finally {
      await client.end();
      await stopProcess(child);
    }
  } finally {
    cluster.stop();
  }
}

async function signIn(address: string): Promise<Visitor> {
  const json = { 'content-type': 'application/json' };
  const response = await fetch(`${address}/api/session`, { method: 'POST', headers: json, body: JSON.stringify(TECHNICIAN) });
  const { person, csrfToken } = (await response.json()) as { person: { id: string }; csrfToken: string };
  const cookie = response.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');
  return { address, personId: person.id, headers: { ...json, cookie, 'x-csrf-token': csrfToken } };
}

const sayCrowd = ({ most, stolen, result: { appended, heard, missed, append, lag } }: Watched<CrowdTold>): string =>
  `${CROWD.listening} browsers listening while ${CROWD.appending} append a step every ${CROWD.everyMs / 1000} s for ${CROWD.seconds} s: ` +
  `${appended} appended, heard ${heard} times, ${missed} not heard by all; append p50 ${append.p50.toFixed(1)}, p95 ${append.p95.toFixed(1)} ms; ` +
  `heard after p50 ${lag.p50.toFixed(1)}, p95 ${lag.p95.toFixed(1)} ms; the server held ${most.toFixed(0)} MB at most; other machines took ${(100 * stolen).toFixed(0)} % of the cores`;

const sayWeek = ({ most, result }: Watched<number>): string =>
  `${AWAY_EVENTS} events of a device that was a week offline: ${result.toFixed(1)} s; the server held ${most.toFixed(0)} MB at most`;

/** The table as it stands in docs/. */
export function sayLarge(rows: readonly Row[]): string {
  const ms = (value: number) => value.toFixed(1);
  const lines = rows.map(
    ({ name, server, sql }) =>
      `| ${name} | ${ms(server.p50)} | ${ms(server.p95)} | ${server.bytes === 0 ? '–' : server.bytes.toLocaleString('en-GB')} | ${sql === null ? '–' : ms(sql.p50)} | ${sql === null ? '–' : ms(sql.p95)} |`,
  );
  return [
    '| question | p50, ms | p95, ms | bytes | bare SQL p50, ms | bare SQL p95, ms |',
    '|---|---:|---:|---:|---:|---:|',
    ...lines,
  ].join('\n');
}
