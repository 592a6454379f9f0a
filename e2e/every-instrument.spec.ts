import { ARCHETYPES, instrumentOf } from '@gold-peg/craft/archetypes';
import { isVibrato } from '@gold-peg/craft/instrument';
import { stagesOf } from '@gold-peg/craft/worksheet';
import type { Browser, Page } from '@playwright/test';
import { v7 } from 'uuid';
import { faultsSeen } from './seen.js';
import { arrive, expect, test, type Workshop } from './workshop.js';

/** The bench screen, and a tablet held upright; each in one of the two lights. */
const SCREENS = [
  { width: 1280, height: 800, light: 'paper', touch: false },
  { width: 900, height: 1200, light: 'evening bench', touch: true },
] as const;
type Screen = (typeof SCREENS)[number];

/** One of each kind taken in, by kind: where its worksheet is. */
async function takeInOneOfEach(page: Page): Promise<Map<string, string>> {
  const paths = new Map<string, string>();
  for (const { id } of ARCHETYPES) {
    const [instrument, job] = [v7(), v7()];
    const draft = { id: instrument, name: `Sweep ${id}`, archetypeId: id, ownerId: null, hand: 'right', scaleMm: null, remark: '' };
    await send(page, '/api/instruments', draft);
    await send(page, '/api/jobs', { id: job, instrumentId: instrument, reason: '', promisedAt: null });
    paths.set(id, `/worksheet/${job}`);
  }
  return paths;
}

async function send(page: Page, path: string, body: object): Promise<void> {
  const { csrfToken } = (await (await page.request.get('/api/session')).json()) as { csrfToken: string };
  const reply = await page.request.post(path, { data: body, headers: { 'x-csrf-token': csrfToken } });
  expect(reply.status(), await reply.text()).toBe(201);
}

/** Goes there as a link of the page would, without loading it anew. */
async function go(page: Page, path: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState({}, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: {} }));
  }, path);
  await page
    .locator('main peg-stage-rule')
    .waitFor()
    .catch(async () => {
      throw new Error(
        `${path} does not come on the ${page.viewportSize()?.width} px screen, which shows: ${await page.locator('body').innerText()}`,
      );
    });
  await page.waitForFunction((to) => location.pathname === to && document.querySelector('main peg-under-way') === null, path);
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
}

async function openOn(browser: Browser, workshop: Workshop, { width, height, light, touch }: Screen): Promise<Page> {
  const context = await browser.newContext({ baseURL: workshop.address, viewport: { width, height }, hasTouch: touch });
  const page = await context.newPage();
  page.setDefaultTimeout(60_000);
  await arrive(page, workshop, '/register', touch ? 'Wenna Tarrow' : 'Corin Vell');
  await page.getByRole('button', { name: /^You:/ }).click();
  const item = page.getByRole('menuitem', { name: /^Light/ });
  if ((await item.textContent())?.includes(light) === true) await page.keyboard.press('Escape');
  else await item.click();
  return page;
}

test('every instrument fits at every stage, on the bench screen and on a tablet', async ({ browser, workshop }) => {
  test.setTimeout(1_200_000); // some 740 views, each looked at for a fifth of a second
  const [bench, tablet] = await Promise.all(SCREENS.map((screen) => openOn(browser, workshop, screen)));
  if (bench === undefined || tablet === undefined) throw new Error('no page');
  const worksheets = await takeInOneOfEach(bench);
  const look = async (page: Page, { width, touch }: Screen) => {
    const faults: string[] = [];
    for (const [kind, path] of worksheets)
      for (const stage of stagesOf({ balances: isVibrato(instrumentOf(kind).bridge) })) {
        await go(page, `${path}/${stage}`);
        // a card is as long as what was done, and a tablet held upright is scrolled with a finger
        const seen = await page.evaluate(faultsSeen, { scrolls: stage === 'hand-over' || touch, touch });
        faults.push(...seen.map((fault) => `${kind}, ${stage}, ${width} px: ${fault}`));
        const take = page.getByRole('button', { name: /^Take / });
        if (touch || stage !== 'choose' || !(await take.isVisible())) continue; // one takes: two would wait for one another's button
        await take.click();
        await page.waitForURL(/ready$/);
      }
    return faults;
  };
  const [onBench, onTablet] = await Promise.all([look(bench, SCREENS[0]), look(tablet, SCREENS[1])]);
  expect([...onBench, ...onTablet]).toEqual([]);
  for (const page of [bench, tablet]) await page.context().close();
});
