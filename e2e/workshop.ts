import type { ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test as base, type Page } from '@playwright/test';
import pg from 'pg';
import { PATTERN } from './pattern.js';
import { freePort, startThrowAwayCluster } from '../scripts/postgres/cluster.js';
import { ensureDatabase } from '../scripts/postgres/database.js';
import { serverCommand, startServer, stopProcess } from '../scripts/server-process.js';

const root = new URL('..', import.meta.url).pathname;

/** A workshop of its own: a real PostgreSQL with the demo, and a server that can be stopped and started. */
export class Workshop {
  private child: ChildProcess | null = null;

  private constructor(
    private readonly cluster: Awaited<ReturnType<typeof startThrowAwayCluster>>,
    private readonly databaseUrl: string,
    private readonly port: number,
    private clock: string | null,
  ) {}

  private copies: string | null = null;

  static async open(durable = false, clock: string | null = null, copies = false): Promise<Workshop> {
    const like = clock === null ? process.env[PATTERN] : undefined; // the demo is as old as the clock says
    const cluster = await startThrowAwayCluster({ durable, like });
    const databaseUrl = await ensureDatabase(cluster.url, 'gold_peg');
    if (like === undefined) serverCommand({ root, databaseUrl, clock }, 'demo', 'rack');
    const workshop = new Workshop(cluster, databaseUrl, await freePort(), clock);
    if (copies) workshop.copies = mkdtempSync(join(tmpdir(), 'gold-peg-copies-'));
    await workshop.start();
    return workshop;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    const settings = {
      root,
      databaseUrl: this.databaseUrl,
      port: this.port,
      secret: 'a secret of the tests',
      demo: true,
      clock: this.clock,
      ...(this.copies === null ? {} : { copiesFolder: this.copies }),
    };
    this.child = (await startServer(settings)).child;
  }

  async stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
    if (this.child !== null) await stopProcess(this.child, signal);
    this.child = null;
  }

  /** The house is at another moment, and goes on from there. */
  async moveTo(clock: string): Promise<void> {
    this.clock = clock;
    await this.stop();
    await this.start();
  }

  /** The server is there, and answers nothing until it goes on. */
  hold(): void {
    this.child?.kill('SIGSTOP');
  }

  letGoOn(): void {
    this.child?.kill('SIGCONT');
  }

  /** The database loses its power, and gets it back. */
  crashDatabase(): void {
    this.cluster.crash();
  }

  reviveDatabase(): Promise<void> {
    return this.cluster.revive();
  }

  async query<Row extends pg.QueryResultRow>(sql: string, parameters: unknown[] = []): Promise<Row[]> {
    const client = new pg.Client({ connectionString: this.databaseUrl });
    await client.connect();
    try {
      return (await client.query<Row>(sql, parameters)).rows;
    } finally {
      await client.end();
    }
  }

  async close(): Promise<void> {
    await this.stop();
    this.cluster.stop();
    if (this.copies !== null) rmSync(this.copies, { recursive: true });
  }
}

/** Each spec file has its own workshop: its worker is its own (playwright.config.ts). */
export const test = base.extend<object, { durable: boolean; clock: string | null; copies: boolean; workshop: Workshop }>({
  /** Whether the database keeps what was committed when its power goes: slower, and right. */
  durable: [false, { scope: 'worker', option: true }],
  /** The moment at which the house begins; null for now. */
  clock: [null, { scope: 'worker', option: true }],
  /** Whether it makes copies of itself. */
  copies: [false, { scope: 'worker', option: true }],
  workshop: [
    async ({ durable, clock, copies }, use) => {
      const workshop = await Workshop.open(durable, clock, copies);
      await use(workshop);
      await workshop.close();
    },
    { scope: 'worker', timeout: 60_000 },
  ],
});

export { expect };

const PASSPHRASES: Readonly<Record<string, string>> = { 'Wenna Tarrow': 'salt wind and silver wire', 'Corin Vell': 'four turns below the hole' }; // prettier-ignore

export async function signIn(page: Page, workshop: Workshop, name = 'Corin Vell'): Promise<void> {
  await page.goto(workshop.address);
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Passphrase').fill(PASSPHRASES[name] ?? '');
  const open = page.getByRole('button', { name: 'Open the workshop' });
  // a database that has just come back may ask to be asked again, as it says on the page; the page gives the server ten seconds
  await expect(async () => {
    if (await open.isVisible()) await open.click();
    await page.getByRole('navigation', { name: 'Places' }).waitFor({ timeout: 15_000 });
  }).toPass({ timeout: 90_000 });
}

/** Signed in at once, and at an address: where neither signing in nor Today is what is looked at. */
export async function arrive(page: Page, workshop: Workshop, path: string, name = 'Corin Vell'): Promise<void> {
  const session = `${workshop.address}/api/session`;
  const { csrfToken } = (await (await page.request.get(session)).json()) as { csrfToken: string };
  const data = { name, passphrase: PASSPHRASES[name] };
  const answer = await page.request.post(session, { data, headers: { 'x-csrf-token': csrfToken } });
  expect(answer.status(), await answer.text()).toBe(200);
  await page.goto(workshop.address + path);
}

/** So at a stage of the open job of an instrument. */
export async function arriveAtStage(page: Page, workshop: Workshop, instrument: string, stage: string): Promise<void> {
  const jobs = await workshop.query<{ id: string }>(
    "SELECT job.id FROM job JOIN instrument i ON i.id = job.instrument_id WHERE i.name = $1 AND state <> 'handed-over'",
    [instrument],
  );
  expect(jobs).toHaveLength(1);
  await arrive(page, workshop, `/worksheet/${jobs[0]?.id}/${stage}`);
}

/** Waits until a button is called so: asked for again at once, where an expectation waits longer each time and describes the whole page besides. */
export const says = (page: Page, text: string | RegExp) => page.getByRole('button', { name: text }).waitFor({ timeout: 20_000 });

/** Space at each of these, once the button says so. */
export async function bySpace(page: Page, ...steps: string[]): Promise<void> {
  for (const step of steps) {
    await says(page, step);
    await page.keyboard.press('Space');
  }
}

export const stageLink = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Stages of the work' }).getByRole('link', { name: new RegExp(`^${name}`) });

export const openHouse = (page: Page) => page.getByRole('link', { name: 'House', exact: true }).click();
