import { spawn } from 'node:child_process';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, inject, it } from 'vitest';
import { v4 as uuidV4, v7 as uuidV7 } from 'uuid';
import { ensureDatabase } from '../../../scripts/postgres/database.js';
import { insertPerson } from './people/index.js';
import { openStore } from './store/index.js';

const root = new URL('../../..', import.meta.url).pathname;

/** A server from its sources. */
const serve = (env: Record<string, string>) =>
  spawn(process.execPath, ['--import', 'tsx', 'apps/server/src/main.ts', 'serve'], {
    cwd: root,
    env: { ...process.env, TSX_TSCONFIG_PATH: 'apps/server/tsconfig.json', ...env },
  });

/** Runs it until it ends by itself. */
function run(env: Record<string, string>): Promise<{ code: number | null; said: string }> {
  const child = serve(env);
  let said = '';
  child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  return new Promise((resolve) => child.once('exit', (code) => resolve({ code, said })));
}

it('ends at once where there is no database, and says so', async () => {
  const { code, said } = await run({ DATABASE_URL: 'postgres://nobody@127.0.0.1:9/nowhere' });
  expect(code).toBe(1);
  expect(said).toContain('The database that DATABASE_URL names cannot be reached');
});

it('ends at once where its port is taken, whatever it had opened by then', async () => {
  const taken = createServer();
  await new Promise<void>((resolve) => taken.listen(0, '127.0.0.1', resolve));
  const url = await ensureDatabase(inject('clusterUrl'), `taken_${uuidV4().replaceAll('-', '')}`);
  const { code, said } = await run({ DATABASE_URL: url, PORT: String((taken.address() as AddressInfo).port) });
  taken.close();
  expect(code).toBe(1);
  expect(said).toContain('The port that PORT names is taken');
});

it('told to stop, it ends its streams, finishes what it was asked for, and is gone', async () => {
  const url = await ensureDatabase(inject('clusterUrl'), `stops_${uuidV4().replaceAll('-', '')}`);
  const store = await openStore(url);
  await insertPerson(store.manager, { id: uuidV7(), name: 'Somebody', role: 'owner', passphrase: 'a tide table and a fork' });
  await store.destroy();
  const child = serve({ DATABASE_URL: url, PORT: '0' });
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  const address = await new Promise<string>((resolve) =>
    child.stdout.on('data', (chunk: Buffer) => {
      const said = /listening on (\S+)/.exec(chunk.toString())?.[1];
      if (said !== undefined) resolve(said);
    }),
  );
  const signIn = (passphrase: string) =>
    fetch(`${address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Somebody', passphrase }),
    });
  const cookie = (await signIn('a tide table and a fork')).headers.getSetCookie()[0]?.split(';')[0] ?? '';
  const stream = await fetch(`${address}/api/feed`, { headers: { cookie } });
  expect(stream.status).toBe(200);
  expect((await fetch(`${address}/api/ready`)).status).toBe(200);
  const underWay = [1, 2, 3, 4].map((each) => signIn(`not it, ${each}`)); // each takes as long as its hash
  await new Promise((resolve) => setTimeout(resolve, 30));
  child.kill('SIGTERM');
  expect((await Promise.all(underWay)).map(({ status }) => status)).toEqual([401, 401, 401, 401]);
  expect(await stream.text()).toContain('retry: 1000'); // its end, not a broken line
  expect(await ended).toBe(0);
});
