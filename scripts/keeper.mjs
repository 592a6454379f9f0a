// Stays beside `npm start`, in a group of its own, and puts away what it leaves behind however it ends: the server first, then the database.
import { spawnSync } from 'node:child_process';
import { setTimeout } from 'node:timers/promises';

const LOOK_MS = 250;
/** The server finishes what it was asked for. */
const GRACE_MS = 12_000;

const [watched, server, ...stopsDatabase] = process.argv.slice(2);

const isThere = (pid) => {
  try {
    return process.kill(Number(pid), 0);
  } catch {
    return false;
  }
};

while (isThere(watched)) await setTimeout(LOOK_MS);
if (isThere(server)) {
  process.kill(Number(server), 'SIGTERM');
  for (let waited = 0; isThere(server) && waited < GRACE_MS; waited += LOOK_MS) await setTimeout(LOOK_MS);
  if (isThere(server)) process.kill(Number(server), 'SIGKILL');
}
const [command, ...args] = stopsDatabase;
if (command !== undefined) spawnSync(command, args, { cwd: '/', stdio: 'ignore' });
