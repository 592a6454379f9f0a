import pg from 'pg';
import { freePort, startThrowAwayCluster } from '../../postgres/cluster.js';
import { ensureDatabase } from '../../postgres/database.js';
import { serverCommand, startServer, stopProcess } from '../../server-process.js';
import { archiveOfAll, exportOfLog } from './export.js';
import { fill, SIZE } from './fill.js';
import { askAll, type Row, type Visitor } from './questions.js';

/** What an archive may hold of a house at once. */
const ARCHIVE_HEAP_MB = 256;

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
      const rows = await askAll(client, visitor);
      console.log(await exportOfLog(visitor, child.pid ?? 0));
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

/** The table as it stands in docs/. */
export function sayLarge(rows: readonly Row[]): string {
  const ms = (value: number) => value.toFixed(1);
  const lines = rows.map(
    ({ name, server, sql }) =>
      `| ${name} | ${ms(server.p50)} | ${ms(server.p95)} | ${server.bytes.toLocaleString('en-GB')} | ${sql === null ? '–' : ms(sql.p50)} | ${sql === null ? '–' : ms(sql.p95)} |`,
  );
  return [
    '| question | p50, ms | p95, ms | bytes | bare SQL p50, ms | bare SQL p95, ms |',
    '|---|---:|---:|---:|---:|---:|',
    ...lines,
  ].join('\n');
}
