// The one script that runs before anything is installed: installs the packages, then hands over to TypeScript.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setInterval } from 'node:timers';

const root = new URL('..', import.meta.url).pathname;
const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(`Gold Peg needs Node.js 20.19 or later; this is ${process.version}.`);
  process.exit(1);
}

const stamp = join(root, '.data', 'installed');
const lock = createHash('sha256')
  .update(readFileSync(join(root, 'package-lock.json')))
  .digest('hex');
if (!existsSync(join(root, 'node_modules', '.bin', 'tsx')) || !existsSync(stamp) || readFileSync(stamp, 'utf8') !== lock) {
  console.log('Installing packages (about a minute) …');
  const npm = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: root, stdio: 'inherit' });
  if (npm.status !== 0) process.exit(npm.status ?? 1);
  mkdirSync(join(root, '.data'), { recursive: true });
  writeFileSync(stamp, lock);
}

const [command = '', ...words] = process.argv.slice(2);
const tsx = join(root, 'node_modules', '.bin', 'tsx');
const child = spawn(tsx, ['--tsconfig', join(root, 'scripts', 'tsconfig.json'), join(root, 'scripts', `${command}.ts`), ...words], {
  cwd: root,
  stdio: 'inherit',
});
process.on('SIGINT', () => undefined); // the terminal tells the child as well, and it has things to stop first
process.on('SIGTERM', () => child.kill('SIGTERM'));
const above = upToNpm();
setInterval(() => {
  // npm passes on no signal that it was sent alone: what it started ends with it all the same
  if (above.some((pid, nth) => (nth === 0 ? process.ppid : parentOf(above[nth - 1])) !== pid)) child.kill('SIGTERM');
}, 500).unref();
child.on('exit', (status) => process.exit(status ?? 1));

/** Processes from the one above this up to npm; none where npm is not above, or the system does not tell. */
function upToNpm() {
  const pids = [];
  for (let pid = process.ppid; pid > 1 && pids.length < 3; pid = parentOf(pid)) {
    pids.push(pid);
    if (read(`/proc/${pid}/cmdline`).includes('npm')) return pids;
  }
  return [];
}

/** 0 where nobody knows. */
function parentOf(pid) {
  return Number(/^PPid:\s+(\d+)/m.exec(read(`/proc/${pid}/status`))?.[1] ?? 0);
}

function read(file) {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}
