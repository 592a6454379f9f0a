import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';

export const isRoot = () => process.getuid?.() === 0;

/** Installs what is missing, and only that: asking for what is there might upgrade it. @throws Error saying what to install where we may not. */
export function needPackage(name: string, isThere: () => boolean, why: string): void {
  if (isThere()) return;
  if (!isRoot() || !existsSync('/usr/bin/apt-get')) {
    throw new Error(`${why} is missing. Install it with: sudo apt-get install --no-install-recommends ${name}`);
  }
  console.log(`Installing ${why} from Debian's packages …`);
  if (name === 'postgresql') refuseSystemCluster();
  const options = {
    stdio: ['ignore', 'ignore', 'inherit'] as ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  };
  execFileSync('apt-get', ['update', '-qq'], options);
  execFileSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', name], options);
  if (!isThere()) throw new Error(`${why} was installed but cannot be found.`);
}

/** The package would make and start a cluster for the whole machine: ours is private. */
function refuseSystemCluster(): void {
  mkdirSync('/etc/postgresql-common/createcluster.d', { recursive: true });
  writeFileSync('/etc/postgresql-common/createcluster.d/no-main.conf', 'create_main_cluster = false\n');
}

/** Chromium without windows, or the whole one where a machine has only that: it takes half as long again. */
const [SHELL, WHOLE] = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];
export const chromiumPath = (): string => (existsSync(SHELL) || !existsSync(WHOLE) ? SHELL : WHOLE);

export function needChromium(): void {
  try {
    needPackage('chromium-headless-shell', () => existsSync(SHELL), 'Chromium, for tests in a real browser');
  } catch (error) {
    if (!existsSync(WHOLE)) throw error;
  }
}
