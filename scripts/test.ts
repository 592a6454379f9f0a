import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build } from './build.js';
import { CHROMIUM, needChromium } from './debian.js';

const root = new URL('..', import.meta.url).pathname;
const results = join(root, '.data', 'test-results');

interface Count {
  passed: number;
  failed: number;
}
interface Step {
  name: string;
  work: () => Count;
}

/** A step that only passes or fails adds nothing to the passed, so that the sum counts tests. */
function check(name: string, tool: string, ...args: string[]): Step {
  return { name, work: () => ({ passed: 0, failed: run(root, tool, args) === 0 ? 0 : 1 }) };
}

function run(cwd: string, tool: string, args: readonly string[], env: Record<string, string> = {}): number {
  const bin = [join(cwd, 'node_modules/.bin', tool), join(root, 'node_modules/.bin', tool)].find((path) => existsSync(path)) ?? tool;
  return spawnSync(bin, [...args], { cwd, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, ...env } }).status ?? 1;
}

/** Reads what a runner wrote; a runner that fell over before it could write counts as a failure, and so does one that ran no test. */
function read(file: string, status: number, count: (report: never) => Count): Count {
  const found = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8')) as never) : { passed: 0, failed: 1 };
  if (found.failed === 0 && (status !== 0 || found.passed === 0)) return { ...found, failed: 1 };
  return found;
}

const vitestCount = (report: { numPassedTests: number; numFailedTests: number }): Count => ({
  passed: report.numPassedTests,
  failed: report.numFailedTests,
});
const playwrightCount = ({ stats }: { stats: { expected: number; unexpected: number; flaky: number } }): Count => ({
  passed: stats.expected + stats.flaky,
  failed: stats.unexpected,
});

const STEPS: readonly Step[] = [
  {
    name: 'build',
    work: () => {
      build(root);
      return { passed: 0, failed: 0 };
    },
  },
  check('format', 'prettier', '--check', '--log-level', 'warn', '.'),
  check('lint', 'eslint', '.'),
  ...['packages/craft', 'packages/contract', 'apps/server', 'apps/cli', 'apps/web', 'e2e', 'scripts'].map((folder) =>
    check(`types of ${folder}`, 'tsc', '--noEmit', '-p', folder),
  ),
  {
    name: 'core, contract, command line and server on a real PostgreSQL',
    work: () => {
      const file = join(results, 'vitest.json');
      return read(file, run(root, 'vitest', ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${file}`]), vitestCount);
    },
  },
  {
    name: 'interface in Chromium',
    work: () => {
      const file = join(results, 'web.json');
      const args = ['test', '--no-watch', '--no-progress', '--reporters=default', '--reporters=json', `--output-file=${file}`];
      return read(file, run(join(root, 'apps/web'), 'ng', args, { CHROME_BIN: CHROMIUM }), vitestCount);
    },
  },
  {
    name: 'end to end',
    work: () => {
      const file = join(results, 'e2e.json');
      return read(file, run(root, 'playwright', ['test', '-c', 'e2e'], { PLAYWRIGHT_JSON_OUTPUT_NAME: file }), playwrightCount);
    },
  },
];

function main(): void {
  rmSync(results, { recursive: true, force: true });
  mkdirSync(results, { recursive: true });
  needChromium();
  const total: Count = { passed: 0, failed: 0 };
  for (const { name, work } of STEPS) {
    console.log(`\n── ${name}`);
    const began = Date.now();
    const { passed, failed } = attempt(work);
    total.passed += passed;
    total.failed += failed;
    console.log(`── ${name}: ${failed === 0 ? 'good' : 'FAILED'}, ${((Date.now() - began) / 1000).toFixed(0)} s`);
  }
  console.log(`\n${total.passed} passed, ${total.failed} failed`);
  process.exitCode = total.failed === 0 ? 0 : 1;
}

function attempt(work: () => Count): Count {
  try {
    return work();
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    return { passed: 0, failed: 1 };
  }
}

try {
  main();
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  console.log('\n0 passed, 1 failed');
  process.exitCode = 1;
}
