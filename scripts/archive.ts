import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { build } from './build.js';
import { clusterFolder, startCluster } from './postgres/cluster.js';
import { ensureDatabase } from './postgres/database.js';
import { serverCommand } from './server-process.js';

const root = new URL('..', import.meta.url).pathname;

/** Writes the house of this folder, or the one that DATABASE_URL names, into an archive, fills it from one, or looks whether one opens. */
async function main(): Promise<void> {
  const { positionals, values } = parseArgs({ allowPositionals: true, options: { replace: { type: 'boolean' } } });
  const [asked = '', file = ''] = positionals;
  if (!['backup', 'restore', 'verify'].includes(asked) || file === '')
    throw new Error('usage: gold-peg backup FILE, gold-peg restore FILE [--replace], or gold-peg verify FILE');
  const what = asked === 'restore' && values.replace === true ? 'replace' : asked;
  const given = process.env['DATABASE_URL'] ?? '';
  await build(root);
  if (given !== '') return console.log(serverCommand({ root, databaseUrl: given }, what, resolve(file)));
  mkdirSync(join(root, '.data'), { recursive: true });
  const cluster = await startCluster(clusterFolder(join(root, '.data')), { durable: true });
  try {
    console.log(serverCommand({ root, databaseUrl: await ensureDatabase(cluster.url, 'gold_peg') }, what, resolve(file)));
  } finally {
    if (!cluster.ranBefore) cluster.stop();
  }
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
});
