import { spawn, type ChildProcess } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import { build } from './build.js';
import { clusterFolder, freePort, startCluster, type Cluster } from './postgres/cluster.js';
import { ensureDatabase } from './postgres/database.js';
import { serverCommand, startServer, stopProcess } from './server-process.js';

const USUAL_PORT = 4180;
const root = new URL('..', import.meta.url).pathname;
const data = join(root, '.data');

const { values: flags } = parseArgs({
  options: { fresh: { type: 'boolean' }, yes: { type: 'boolean' }, 'no-demo': { type: 'boolean' }, port: { type: 'string' } },
});

async function main(): Promise<void> {
  mkdirSync(data, { recursive: true });
  const given = process.env['DATABASE_URL'];
  if (flags.fresh === true && !(await startOver(given))) return;
  const cluster = given === undefined || given === '' ? await ownCluster() : null;
  try {
    const url = cluster === null ? (given ?? '') : await ensureDatabase(cluster.url, 'gold_peg');
    await serve(url, cluster?.stopsWith ?? []);
  } finally {
    cluster?.stop();
  }
}

async function ownCluster(): Promise<Cluster> {
  console.log('Starting the database …');
  return startCluster(clusterFolder(data), { durable: true });
}

async function serve(databaseUrl: string, stopsDatabase: readonly string[]): Promise<void> {
  await build(root);
  console.log(serverCommand({ root, databaseUrl }, 'migrate'));
  const welcome =
    flags['no-demo'] === true ? serverCommand({ root, databaseUrl }, 'first-owner', 'Owner') : serverCommand({ root, databaseUrl }, 'demo');
  console.log(welcome);
  const port = flags.port === undefined ? await usablePort() : Number(flags.port);
  const settings = {
    root,
    databaseUrl,
    port,
    secret: secret(),
    demo: flags['no-demo'] !== true,
    outboxFolder: join(data, 'outbox'),
    copiesFolder: join(data, 'copies'),
  };
  const { child, address } = await startServer(settings);
  const keeper = keep(child.pid ?? 0, stopsDatabase);
  console.log(`\n  Gold Peg is at ${address}`);
  if (flags['no-demo'] !== true) console.log('  Demo sign-in: Wenna Tarrow, passphrase: salt wind and silver wire');
  console.log('  Ctrl-C stops the server and its database.\n');
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stopProcess(child));
  await ended;
  keeper.kill('SIGKILL'); // what is left is put away here
}

/** Whoever kills this process finds nothing of it left. */
function keep(server: number, stopsDatabase: readonly string[]): ChildProcess {
  const words = [join(root, 'scripts', 'keeper.mjs'), String(process.pid), String(server), ...stopsDatabase];
  const keeper = spawn(process.execPath, words, { detached: true, stdio: 'ignore' });
  keeper.unref();
  return keeper;
}

async function startOver(given: string | undefined): Promise<boolean> {
  if (given !== undefined && given !== '') {
    console.error('--fresh removes only the private database; DATABASE_URL names one of yours, which is left alone.');
    process.exitCode = 1;
    return false;
  }
  if (flags.yes !== true) {
    const asked = createInterface({ input: process.stdin, output: process.stdout });
    const answer = await asked.question('Remove all data of this workshop and start over? Type yes: ');
    asked.close();
    if (answer.trim().toLowerCase() !== 'yes') {
      console.log('Nothing was removed.');
      return false;
    }
  }
  const folder = clusterFolder(data);
  if (existsSync(join(folder, 'gold-peg.json'))) {
    const cluster = await startCluster(folder, { durable: true });
    cluster.stop();
  }
  rmSync(folder, { recursive: true, force: true });
  return true;
}

/** Kept, so that people stay signed in when the server is started again. */
function secret(): string {
  const file = join(data, 'session-secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
  return readFileSync(file, 'utf8');
}

function usablePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(freePort()));
    probe.listen(USUAL_PORT, '127.0.0.1', () => probe.close(() => resolve(USUAL_PORT)));
  });
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
});
