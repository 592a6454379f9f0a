import { mkdtempSync, rmSync } from 'node:fs';
import { chromium, type BrowserContext, type Page } from '@playwright/test';
import { arrive, arriveAtStage, bySpace, expect, says, signIn, stageLink, test, type Workshop } from './workshop.js';

test.use({ durable: true });

const STEPS_OF_A_STRING = ['string-off', 'looked-over', 'anchored', 'wound', 'tensioned'];
const UP = 'up, stretched once';

/** A browser with a profile on disk: what it keeps outlives it. */
async function openBrowser(profile: string, launch: object): Promise<{ context: BrowserContext; page: Page }> {
  const context = await chromium.launchPersistentContext(profile, { ...launch, viewport: { width: 1280, height: 800 } });
  return { context, page: context.pages()[0] ?? (await context.newPage()) };
}

const step = (page: Page, string: number, does: string) => bySpace(page, `String ${string} ${does}`);

const stored = (workshop: Workshop) =>
  workshop.query<{ id: string; kind: string; string: number | null }>(
    `SELECT e.id, kind, (event->>'string')::int AS string FROM bench_event e JOIN job ON job.id = e.job_id JOIN instrument i ON i.id = job.instrument_id
     WHERE i.passport = 143 AND job.state <> 'handed-over' ORDER BY e.id`,
  );

test('browser closed, server killed, database crashed in the middle of a run: no step is lost or doubled', async ({ workshop }, info) => {
  test.setTimeout(240_000);
  const profile = mkdtempSync('/tmp/gold-peg-profile-');
  const launch = info.project.use.launchOptions ?? {};
  let { context, page } = await openBrowser(profile, launch);
  try {
    await signIn(page, workshop);
    await page.getByRole('link', { name: /Tidewrack headless/ }).click();
    await page.getByRole('button', { name: /^Take / }).click();
    for (const string of [6, 5, 4, 3, 2, 1]) await step(page, string, 'laid out');
    await step(page, 6, 'off');
    // the sign shows only what has waited a while: the store itself says that nothing is under way
    await expect.poll(async () => (await stored(workshop)).at(-1)?.kind).toBe('string-off');
    const address = page.url();

    // the database loses its power while the bench goes on
    workshop.crashDatabase();
    for (const does of ['looked over', 'seated', 'wound', UP]) await step(page, 6, does);
    await expect(page.getByTestId('waiting')).toContainText('4 steps wait');

    // then the browser is closed on what it has not sent, and the server is killed
    await context.close();
    await workshop.stop('SIGKILL');
    await workshop.reviveDatabase();
    await workshop.start();
    ({ context, page } = await openBrowser(profile, launch));
    await page.goto(address.replace(/\/[^/]*$/, '/strip'));
    if (
      await page
        .getByLabel('Name')
        .isVisible()
        .catch(() => false)
    )
      await signIn(page, workshop).then(() => page.goto(address));
    await expect(page.getByTestId('waiting')).toBeHidden({ timeout: 15_000 });

    // killed again in the midst of steps that follow one another as fast as keys do, and while their answers are on the way
    await says(page, 'String 5 off');
    for (const does of ['off', 'looked over']) await step(page, 5, does);
    const [, stopped] = await Promise.all([step(page, 5, 'seated'), workshop.stop('SIGKILL')]);
    expect(stopped).toBeUndefined();
    for (const does of ['wound', UP]) await step(page, 5, does);
    await workshop.start();
    await step(page, 4, 'off');
    workshop.crashDatabase();
    await step(page, 4, 'looked over');
    await workshop.reviveDatabase();
    for (const does of ['seated', 'wound', UP]) await step(page, 4, does);
    // every step once, in the order it was done; the sign of what waits shows only what has waited a while
    const expected = [
      'set-chosen',
      ...[6, 5, 4, 3, 2, 1].map((string) => `laid-out ${string}`),
      ...[6, 5, 4].flatMap((string) => STEPS_OF_A_STRING.map((kind) => `${kind} ${string}`)),
    ];
    const steps = async () => (await stored(workshop)).map(({ kind, string }) => (string === null ? kind : `${kind} ${string}`));
    await expect.poll(steps, { timeout: 20_000 }).toEqual(expected);
    await expect(page.getByTestId('waiting')).toBeHidden();

    // and another browser sees the same
    await context.close();
    ({ context, page } = await openBrowser(mkdtempSync('/tmp/gold-peg-profile-'), launch));
    await arrive(page, workshop, new URL(address).pathname.replace(/\/[^/]*$/, '/strip'), 'Wenna Tarrow');
    await says(page, 'String 3 off');
    await expect(stageLink(page, 'Wind, 3 of 6 strings passed')).toBeVisible();
  } finally {
    await context.close();
    rmSync(profile, { recursive: true, force: true });
  }
});

test('two tablets that tick the same while apart come to one state', async ({ browser, workshop }) => {
  const one = await browser.newPage();
  const other = await browser.newPage();
  await arriveAtStage(one, workshop, 'Longshore four, oxblood', 'choose');
  await one.getByRole('button', { name: /^Take / }).click();
  await says(one, 'String 4 laid out');
  await arrive(other, workshop, new URL(one.url()).pathname, 'Wenna Tarrow');
  await says(other, 'String 4 laid out');

  await workshop.stop('SIGKILL');
  for (const string of [4, 3]) await step(one, string, 'laid out');
  await step(other, 4, 'laid out'); // the same string, by somebody else
  await other.getByRole('button', { name: /^1 G/ }).click();
  await step(other, 1, 'laid out');
  await one.keyboard.press('Backspace'); // one of them takes string 3 back
  await workshop.start();
  for (const page of [one, other]) {
    await expect(page.getByTestId('waiting')).toBeHidden({ timeout: 15_000 });
    await expect(stageLink(page, 'Ready, 2 of 4')).toBeVisible();
    await stageLink(page, 'Ready').click();
    await expect(page.getByRole('button', { name: /^4 E.*laid out/ })).toBeVisible();
    await expect(page.getByRole('button', { name: /^1 G.*laid out/ })).toBeVisible();
    await expect(page.getByRole('button', { name: /^3 A.*laid out/ })).toBeHidden();
  }
  await one.close();
  await other.close();
});
