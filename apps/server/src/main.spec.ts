import { spawn } from 'node:child_process';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, inject, it } from 'vitest';
import { v4 as uuidV4 } from 'uuid';
import { ensureDatabase } from '../../../scripts/postgres/database.js';

const root = new URL('../../..', import.meta.url).pathname;

/** Runs a server from its sources until it ends by itself. */
function run(env: Record<string, string>): Promise<{ code: number | null; said: string }> {
  const child = spawn(`${root}node_modules/.bin/tsx`, ['--tsconfig', 'apps/server/tsconfig.json', 'apps/server/src/main.ts', 'serve'], {
    cwd: root,
    env: { ...process.env, ...env },
  });
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
