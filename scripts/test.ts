import { spawn } from 'node:child_process';
import { cpus } from 'node:os';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, toolIn, TSC } from './build.js';
import { chromiumPath, needChromium } from './debian.js';

const root = new URL('..', import.meta.url).pathname;
const results = join(root, '.data', 'test-results');
/** Of a page that failed, so much is printed. */
const PAGE_LINES = 90;

interface Count {
  passed: number;
  failed: number;
}
interface Step {
  name: string;
  work: () => Promise<Count>;
}

/** What only passes or fails adds nothing to the passed, so that the sum counts tests. */
const CHECKS: readonly (readonly [name: string, tool: string, ...args: string[]])[] = [
  ['lint', 'eslint', '.'],
  ['lint by types', 'oxlint', '--type-aware'],
  ['format', 'prettier', '--check', '--log-level', 'warn', '.'],
  // the interface and its specs are read for types as they are built; its workers are only built
  ...['packages/craft', 'packages/contract', 'apps/server', 'apps/cli', 'apps/web/tsconfig.worker.json', 'e2e', 'scripts'].map(
    (project) => [`types of ${project}`, TSC, '--noEmit', '-p', project] as const,
  ),
];

/** As many at a time as there are cores, after whatever else wants them; each says what it has to say in one piece. */
async function runChecks(): Promise<Count> {
  const left = [...CHECKS];
  let failed = 0;
  const work = async () => {
    for (let next = left.shift(); next !== undefined; next = left.shift()) {
      const [name, tool, ...args] = next;
      const { status, said } = await run(tool, args, { held: true, last: true });
      console.log(`${name}: ${status === 0 ? 'good' : `FAILED\n${said}`}`);
      if (status !== 0) failed++;
    }
  };
  await Promise.all(cpus().map(work));
  return { passed: 0, failed };
}

interface How {
  cwd?: string;
  env?: Record<string, string>;
  /** What it says is kept, not printed: others talk meanwhile. */
  held?: boolean;
  /** Whatever else wants the cores comes first. */
  last?: boolean;
}

function run(
  tool: string,
  args: readonly string[],
  { cwd = root, env = {}, held = false, last = false }: How = {},
): Promise<{ status: number; said: string }> {
  return new Promise((answer) => {
    const command = [...(last ? ['nice', '-n', '19'] : []), toolIn(cwd, tool), ...args];
    const printed = held ? 'pipe' : 'inherit';
    const child = spawn(command[0] ?? tool, command.slice(1), {
      cwd,
      stdio: ['ignore', printed, printed],
      env: { ...process.env, ...env },
    });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (data: Buffer) => (said += data.toString()));
    child.on('error', ({ message }) => answer({ status: 1, said: message }));
    child.on('close', (status) => answer({ status: status ?? 1, said }));
  });
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

/** What a page showed when its test failed: of a run elsewhere nothing else is left. */
function sayPages(): void {
  const failed = join(root, 'e2e/test-results');
  if (!existsSync(failed)) return;
  for (const path of readdirSync(failed, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('error-context.md')))
    console.log(
      `\n${path}\n${
        /```yaml[^]*?(?=# Test source|$)/
          .exec(readFileSync(join(failed, path), 'utf8'))?.[0]
          .split('\n')
          .slice(0, PAGE_LINES)
          .join('\n') ?? ''
      }`,
    );
}

const BUILD: Step = {
  name: 'build',
  work: async () => {
    await build(root);
    return { passed: 0, failed: 0 };
  },
};
const CHECKED: Step = { name: 'format, lint and types', work: runChecks };
const CORE: Step = {
  name: 'core, contract, command line and server on a real PostgreSQL',
  work: async () => {
    const file = join(results, 'vitest.json');
    const { status } = await run('vitest', ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${file}`]);
    return read(file, status, vitestCount);
  },
};
const INTERFACE: Step = {
  name: 'interface in Chromium',
  work: async () => {
    const file = join(results, 'web.json');
    const args = ['test', '--no-watch', '--no-progress', '--reporters=default', '--reporters=json', `--output-file=${file}`];
    const how = { cwd: join(root, 'apps/web'), env: { CHROME_BIN: chromiumPath() }, held: true };
    const { status, said } = await run('ng', args, how);
    console.log(said);
    return read(file, status, vitestCount);
  },
};
const END_TO_END: Step = {
  name: 'end to end',
  work: async () => {
    const file = join(results, 'e2e.json');
    const { status } = await run('playwright', ['test', '-c', 'e2e'], { env: { PLAYWRIGHT_JSON_OUTPUT_NAME: file } });
    if (status !== 0) sayPages();
    return read(file, status, playwrightCount);
  },
};

async function main(): Promise<void> {
  rmSync(results, { recursive: true, force: true });
  mkdirSync(results, { recursive: true });
  needChromium();
  // specs of the interface are compiled with it, by one core
  const seen = take(INTERFACE);
  const counts = [await take(BUILD)];
  // what waits for a page or a database leaves the cores to these
  const checked = take(CHECKED);
  counts.push(...(await Promise.all([take(CORE), seen])));
  counts.push(await take(END_TO_END));
  counts.push(await checked);
  const sum = (of: keyof Count) => counts.reduce((all, count) => all + count[of], 0);
  console.log(`\n${sum('passed')} passed, ${sum('failed')} failed`);
  process.exitCode = sum('failed') === 0 ? 0 : 1;
}

async function take({ name, work }: Step): Promise<Count> {
  console.log(`\n── ${name}`);
  const began = Date.now();
  const count = await attempt(work);
  console.log(`── ${name}: ${count.failed === 0 ? 'good' : 'FAILED'}, ${((Date.now() - began) / 1000).toFixed(0)} s`);
  return count;
}

async function attempt(work: Step['work']): Promise<Count> {
  try {
    return await work();
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    return { passed: 0, failed: 1 };
  }
}

try {
  await main();
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  console.log('\n0 passed, 1 failed');
  process.exitCode = 1;
}
