import { chromium, type Browser, type Page } from '@playwright/test';
import { watchBlocks } from './blocks.js';
import { dragging } from './dragging.js';
import { listening } from './listening.js';
import type { OpeningTime } from './opening-time.js';
import { chromiumPath, needChromium } from '../debian.js';
import { freePort, startThrowAwayCluster } from '../postgres/cluster.js';
import { ensureDatabase } from '../postgres/database.js';
import { serverCommand, startServer, stopProcess } from '../server-process.js';

const RUNS = 7;
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** From asking for a page until its own content stands, in a real browser against a real database. */
export async function openingTimes(root: string): Promise<OpeningTime[]> {
  needChromium();
  const cluster = await startThrowAwayCluster();
  const databaseUrl = await ensureDatabase(cluster.url, 'gold_peg');
  serverCommand({ root, databaseUrl }, 'demo');
  const { child, address } = await startServer({ root, databaseUrl, port: await freePort(), secret: 'a secret of the bench', demo: true });
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
    await page.goto(address);
    await page.getByRole('button', { name: /^Demo/ }).click();
    await page.getByRole('link', { name: /Heron parlour, walnut/ }).click();
    await page.waitForURL(/\/wind$/);
    const worksheet = page.url();
    return [
      { name: 'Today, from its address', ms: await median(() => open(page, `${address}/today`, 'heading', 'The rack')) },
      { name: 'a worksheet at Wind, from its address', ms: await median(() => open(page, worksheet, 'button', /^String 4 wound/)) },
      { name: 'the next string in hand, by key', ms: await median(() => nextLane(page)) },
      ...(await dragging(page, worksheet)),
      ...(await listening(page, worksheet)),
      ...(await solving(page, address)),
      { name: 'a step of one browser shown in another', ms: await follows(browser, page, worksheet.replace(/wind$/, 'settle')) },
    ];
  } finally {
    await browser.close();
    await stopProcess(child);
    cluster.stop();
  }
}

async function open(page: Page, address: string, role: 'heading' | 'button', name: string | RegExp): Promise<number> {
  const began = performance.now();
  await page.goto(address);
  await page.getByRole(role, { name }).waitFor();
  return performance.now() - began;
}

/** Measured inside the page: from the key until the next frame after it shows the other string. */
function nextLane(page: Page): Promise<number> {
  return page.evaluate(async () => {
    const here = document.querySelector('.lane.in-hand peg-lane-badge')?.textContent?.trim();
    const key = here === '4' ? '3' : '4';
    const began = performance.now();
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    while (document.querySelector('.lane.in-hand peg-lane-badge')?.textContent?.trim() !== key) await new Promise(requestAnimationFrame);
    return performance.now() - began;
  });
}

/** From a wish until its answer stands, typing pause included; and the longest that the page was blocked meanwhile. */
async function solving(page: Page, address: string): Promise<OpeningTime[]> {
  const times: OpeningTime[] = [];
  for (const [name, neck] of [
    ['six', 'Electric, six in line, 648'],
    ['twelve', 'Flat-top acoustic, twelve-string'],
  ] as const) {
    await page.goto(`${address}/strings/workbench`);
    await page.getByRole('combobox', { name: 'On', exact: true }).click();
    await page.getByRole('option', { name: new RegExp(`^${neck}`) }).click();
    await page.getByRole('button', { name: 'Find gauges' }).click();
    await page.getByRole('button', { name: 'Take' }).first().waitFor();
    const longest = await watchBlocks(page);
    const ms = await median(async () => {
      const began = performance.now();
      await page.getByRole('listbox', { name: 'String 1 counts' }).getByRole('option', { selected: false }).last().click();
      await page.locator('article .act:disabled').first().waitFor();
      await page.locator('article .act:enabled').first().waitFor();
      return performance.now() - began;
    });
    times.push(
      { name: `${name} strings: a wish and its answer`, ms },
      { name: `${name} strings: longest block of the page over 50 ms, or 0`, ms: await longest() },
    );
  }
  return times;
}

/** From the key in one browser until the other shows the step; each run takes its step back. */
async function follows(browser: Browser, page: Page, worksheet: string): Promise<number> {
  const context = await browser.newContext({ storageState: await page.context().storageState(), serviceWorkers: 'block' });
  const other = await context.newPage();
  for (const each of [page, other]) {
    await each.goto(worksheet);
    await each.getByRole('button', { name: 'String 6 settled' }).waitFor();
  }
  const shown = other.getByText(/^settled \d\d:\d\d$/);
  const ms = await median(async () => {
    const began = performance.now();
    await page.keyboard.press('Space');
    await shown.waitFor();
    const took = performance.now() - began;
    await page.keyboard.press('Backspace');
    await shown.waitFor({ state: 'detached' });
    return took;
  });
  await context.close();
  return ms;
}

async function median(measure: () => Promise<number>): Promise<number> {
  const times: number[] = [];
  for (let index = 0; index < RUNS; index++) times.push(await measure());
  return times.sort((a, b) => a - b)[Math.floor(RUNS / 2)] ?? 0;
}
