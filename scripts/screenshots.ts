import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM_ARGS } from './bench/opening-times.js';
import { build } from './build.js';
import { chromiumPath, needChromium } from './debian.js';
import { freePort, startThrowAwayCluster } from './postgres/cluster.js';
import { ensureDatabase } from './postgres/database.js';
import { serverCommand, startServer, stopProcess } from './server-process.js';

const root = new URL('..', import.meta.url).pathname;
const folder = join(root, 'docs/screenshots');
/** A morning at the bench, in the week before the festival. */
const MORNING = '2026-05-26T08:40:00Z';

const stage = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Stages of the work' })
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .click();
const place = (page: Page, name: string) => page.getByRole('link', { name, exact: true }).click();
async function instrument(page: Page, name: string): Promise<void> {
  await place(page, 'Today');
  await page.getByRole('link', { name: new RegExp(name) }).click();
  await page.getByRole('navigation', { name: 'Stages of the work' }).waitFor();
}

/** One picture for each main view, from the demo. */
const VIEWS: readonly (readonly [string, (page: Page) => Promise<unknown>])[] = [
  ['today', async (page) => (await place(page, 'Today'), page.getByRole('heading', { name: 'Now' }).waitFor())],
  ['register', (page) => place(page, 'Register')],
  ['passport', passport],
  ['wind', (page) => instrument(page, 'Heron parlour, walnut')],
  ['anchor', (page) => stage(page, 'Anchor')],
  ['hand-over', (page) => stage(page, 'Hand over')],
  ['choose', (page) => stage(page, 'Choose')],
  ['ready', ready],
  ['bring-up', bringUp],
  ['settle', settle],
  ['balance', balance],
  ['build', whatItIs],
  ['strings-workbench', (page) => strings(page, 'Workbench')],
  ['card', card],
  ['practice', practice],
  ['simulated-bench', simulatedBench],
  ['house', house],
  ['balance-place', balancePlace],
  ['drift-evening', drift],
];

async function house(page: Page): Promise<void> {
  await page.keyboard.press('Escape');
  await place(page, 'House');
  for (const _half of [1, 2]) await page.getByRole('button', { name: 'A quarter turn less, thin plain' }).click();
}

/** Slack by hand, answered a few times: the first far off, the last nearer. */
async function practice(page: Page): Promise<void> {
  await page.keyboard.press('Escape');
  await place(page, 'Practice');
  const keeps = page.getByRole('button', { name: 'That is it' });
  for (const pages of [3, 4, 5, 6, 8, 7]) {
    await page
      .getByRole('button', { name: /^slack/ })
      .first()
      .click();
    await keeps.waitFor();
    for (let step = 0; step < pages; step++) await page.keyboard.press('PageUp');
    await page.keyboard.press('Space');
    await keeps.waitFor({ state: 'hidden' });
  }
}

/** A string that came up without a hand that guides it: turns that cross, and what comes of it. */
async function simulatedBench(page: Page): Promise<void> {
  await page.goto(new URL('/practice/bench?kind=acoustic-parlour&seed=4471', page.url()).href);
  await page.getByRole('button', { name: /^Let it down/ }).waitFor();
  for (const key of ['e', '3', 'Space', 'Space']) await page.keyboard.press(key);
  await page.getByRole('button', { name: /^ball against the plate/ }).click();
  for (let step = 0; step < 42; step++) await page.keyboard.press('ArrowUp');
  for (const key of ['s', 'Space', 'Space']) await page.keyboard.press(key);
  for (let turn = 0; turn < 30; turn++) await page.keyboard.press('ArrowRight');
  await page.getByText('One turn crosses another').waitFor();
}

async function ready(page: Page): Promise<void> {
  await instrument(page, 'Longshore four, oxblood');
  await stage(page, 'Ready');
  await page.getByRole('button', { name: 'close its jaws' }).click();
  await page.getByRole('button', { name: 'zero it' }).click();
  await page.getByRole('button', { name: /^Measure string/ }).click();
  await page.getByText(/as planned/).waitFor();
}

async function passport(page: Page): Promise<void> {
  await page
    .getByRole('textbox', { name: 'Find' })
    .or(page.getByRole('searchbox', { name: 'Find' }))
    .fill('0121');
  await page.getByRole('link', { name: /Heron parlour, spruce/ }).click();
  await page.getByRole('heading', { name: 'Due', exact: true }).waitFor();
}

/** What one's own tuner reads of a string, typed. */
async function reads(page: Page, string: number, cents: number): Promise<void> {
  await page.keyboard.press(String(string));
  await page.getByLabel('it reads, ¢').fill(String(cents));
  await page.keyboard.press('Enter');
  await page.waitForTimeout(250);
}

async function balance(page: Page): Promise<void> {
  await instrument(page, 'Brindle six, dune');
  await stage(page, 'Balance');
  await page.getByRole('option', { name: 'my own tuner' }).click();
  for (let string = 6; string >= 1; string--) await reads(page, string, 0);
  for (let set = 0; set < 3; set++) await page.keyboard.press('Space');
  await page.getByText(/8 in 10/).waitFor();
}

async function balancePlace(page: Page): Promise<void> {
  await instrument(page, 'Brindle six, dune');
  await place(page, 'Balance');
  await page.getByRole('combobox', { name: 'then' }).click();
  await page.getByRole('option', { name: '.010–.046 nickel-plated steel' }).first().click();
  await page.getByText(/toward the neck/).waitFor();
}

async function bringUp(page: Page): Promise<void> {
  await page.keyboard.press('b');
  await instrument(page, 'Heron parlour, walnut');
  await stage(page, 'Wind');
  for (let press = 0; press < 8 && !(await page.getByText(/String \d near pitch/).isVisible()); press++) {
    await page.keyboard.press('Shift+Space');
    await page.waitForTimeout(500);
  }
  await page.getByRole('option', { name: 'my own tuner' }).click();
  const firstPass = [-212, -190, -205, -223, -214, -201];
  for (const [index, cents] of firstPass.entries()) await reads(page, 6 - index, cents);
  for (const [string, cents] of [
    [6, -1.2],
    [5, -46.1],
    [5, -31.7],
    [5, -18.3],
  ] as const)
    await reads(page, string, cents);
  await page.getByRole('option', { name: 'simulated' }).click();
  await page.keyboard.press('5');
  await page.getByText(/^Nothing sounds: pluck string 5/).waitFor();
  await page.locator('mat-snack-bar-container').waitFor({ state: 'detached' });
  await page.keyboard.press('a');
  await page.getByText(/: string 5, sure/).waitFor();
}

async function settle(page: Page): Promise<void> {
  await stage(page, 'Settle');
  await page.keyboard.press('Escape'); // from the rule to the lanes
  const rounds = { 6: [38, 17, 8], 5: [41, 18, 7, 3], 4: [33, 12, 5, 2, 1], 2: [24, 9], 3: [19, 22, 18, 21, 20] };
  for (const [string, drops] of Object.entries(rounds)) {
    await page.keyboard.press(string);
    for (const drop of drops) {
      await page.keyboard.press('Enter');
      await page.keyboard.type(String(drop));
      await page.keyboard.press('Enter');
      await page
        .getByRole('button', { name: `lost ${drop} ¢` })
        .first()
        .waitFor();
    }
  }
  await page.keyboard.press('3');
}

/** Minutes ago, what it lost, and after what: a nylon treble that was stretched, and then left alone. */
const NYLON = [
  [80, 52, 'stretch'],
  [78, 24, 'stretch'],
  [76, 13, 'stretch'],
  [50, 11, 'rest'],
  [12, 6, 'rest'],
] as const;

/** A classical that was brought to pitch an hour and a half ago and tuned again since, in the light of an evening. */
async function drift(page: Page): Promise<void> {
  await instrument(page, 'Almery classical, cedar');
  await stage(page, 'Settle');
  await page.waitForURL(/settle$/);
  const { origin, pathname } = new URL(page.url());
  const [, , jobId] = pathname.split('/');
  const ask = async <T>(path: string) => (await (await page.request.get(origin + path)).json()) as T;
  const { person, csrfToken } = await ask<{ person: { id: string }; csrfToken: string }>('/api/session');
  const { passport } = await ask<{ passport: { id: string } }>(`/api/jobs/${jobId}`);
  let nth = 0;
  const event = (string: number, minutes: number, kind: string, payload: object = {}) => ({
    id: `01a21dff-0000-7000-8000-${String(nth++).padStart(12, '0')}`,
    version: 1,
    jobId,
    instrumentId: passport.id,
    personId: person.id,
    deviceId: '01a21dff-0000-7000-8000-0000000000ff',
    at: new Date(Date.now() - 60_000 * minutes).toISOString(),
    string,
    kind,
    payload,
  });
  const wound = { turns: 3, slackMm: 60, cutBeyondPostMm: 62, nutDeg: null };
  const events = [1, 2, 3, 4, 5, 6].flatMap((string) => [
    event(string, 110, 'string-off'),
    event(string, 105, 'anchored'),
    event(string, 100, 'wound', wound),
    event(string, 90, 'brought-up'),
    ...NYLON.map(([minutes, lost, after]) =>
      event(string, minutes, 'pitch-read', {
        cents: string > 3 ? -Math.round(lost / 3) : string - lost,
        after,
        retuned: true,
        by: 'heard',
      }),
    ),
  ]);
  const stored = await page.request.post(`${origin}/api/events`, { headers: { 'x-csrf-token': csrfToken }, data: { events } });
  if (!stored.ok()) throw new Error(`the readings were not stored: ${await stored.text()}`);
  await page.reload();
  await page.getByText(/^Tune again/).waitFor();
  await page.keyboard.press('2');
  await page.getByRole('button', { name: /^You:/ }).click();
  await page.getByRole('menuitem', { name: /^Light/ }).click();
}

async function whatItIs(page: Page): Promise<void> {
  await place(page, 'Register');
  await page.getByRole('link', { name: /Longshore four, oxblood/ }).click();
  await page.getByRole('link', { name: /what it is, and its measures/ }).click();
  await page.getByRole('heading', { name: 'What measuring would sharpen' }).waitFor();
}

async function strings(page: Page, view: string): Promise<void> {
  await place(page, 'Strings');
  await page.getByRole('tab', { name: view, exact: true }).click();
}

async function card(page: Page): Promise<void> {
  await place(page, 'Register');
  await page.getByRole('link', { name: /Almery classical, cedar/ }).click();
  const path = await page.getByRole('link', { name: 'last card' }).getAttribute('href');
  await page.goto(new URL(`/card/${/jobs\/([^/]+)/.exec(path ?? '')?.[1] ?? ''}`, page.url()).href);
  await page.getByRole('article', { name: 'Hand-over card' }).waitFor();
}
async function main(): Promise<void> {
  await build(root);
  needChromium();
  mkdirSync(folder, { recursive: true });
  const cluster = await startThrowAwayCluster();
  const databaseUrl = await ensureDatabase(cluster.url, 'gold_peg');
  serverCommand({ root, databaseUrl, clock: MORNING }, 'demo');
  const { child, address } = await startServer({
    root,
    databaseUrl,
    port: await freePort(),
    secret: 'a secret of the pictures',
    demo: true,
    clock: MORNING,
  });
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
    await page.goto(address);
    await page.getByRole('button', { name: /^Demo/ }).click();
    for (const [name, go] of VIEWS) {
      await go(page);
      await page.waitForTimeout(600);
      await page.screenshot({ path: join(folder, `${name}.png`) });
    }
  } finally {
    await browser.close();
    await stopProcess(child);
    cluster.stop();
  }
}

await main();
