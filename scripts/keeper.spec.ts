import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, expect, it } from 'vitest';

const folder = mkdtempSync('/tmp/gold-peg-keeper-');
const keeper = new URL('keeper.mjs', import.meta.url).pathname;
const started: ChildProcess[] = [];
afterEach(() => {
  for (const child of started.splice(0)) child.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
});

const start = (code: string) => {
  const child = spawn(process.execPath, ['-e', code], { stdio: 'ignore' });
  started.push(child);
  return child;
};
const ends = (child: ChildProcess) =>
  new Promise<NodeJS.Signals | number | null>((resolve) => child.once('exit', (code, signal) => resolve(signal ?? code)));

it('puts server and database away when the start it watches was killed, in that order', async () => {
  const [watched, server] = [start('setInterval(() => {}, 1e6)'), start('setInterval(() => {}, 1e6)')];
  const mark = join(folder, 'stopped');
  const stops = ['/bin/sh', '-c', `kill -0 ${server.pid} 2> /dev/null || { mkdir -p ${folder} && touch ${mark}; }`];
  const child = spawn(process.execPath, [keeper, String(watched.pid), String(server.pid), ...stops], { stdio: 'ignore' });
  started.push(child);
  const [serverEnds, keeperEnds] = [ends(server), ends(child)];
  await new Promise((resolve) => setTimeout(resolve, 600));
  expect([server.exitCode, server.signalCode, existsSync(mark)]).toEqual([null, null, false]); // nothing while it is there
  watched.kill('SIGKILL');
  expect(await serverEnds).toBe('SIGTERM');
  expect(await keeperEnds).toBe(0);
  expect(existsSync(mark)).toBe(true); // the server was gone by then
});

it('has nothing to put away where both are gone', async () => {
  const gone = start('');
  await ends(gone);
  const child = spawn(process.execPath, [keeper, String(gone.pid), String(gone.pid)], { stdio: 'ignore' });
  started.push(child);
  expect(await ends(child)).toBe(0);
});
