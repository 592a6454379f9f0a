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

/** What the page itself is given: what looks at it, and what it has asked its server for and has no answer to. */
interface InPage {
  faultsSeen: typeof faultsSeen;
  asked: Set<Promise<Response>>;
}

/** Goes to a stage as a link of the page would, without loading it anew, and says what is wrong there: all of it in the page, which is asked once. */
function seenAt(page: Page, path: string, how: Parameters<typeof faultsSeen>[0]): Promise<string[]> {
  return page.evaluate(
    async ({ to, what }) => {
      history.pushState({}, '', to);
      dispatchEvent(new PopStateEvent('popstate', { state: {} }));
      const frame = () => new Promise(requestAnimationFrame);
      const { faultsSeen: seen, asked: open } = window as unknown as InPage;
      const isThere = () => {
        const here = document.querySelector<HTMLAnchorElement>('main peg-stage-rule [aria-current=step]')?.pathname === to;
        return here && open.size === 0 && !/Listening …/.test(document.querySelector('main')?.textContent ?? '');
      };
      for (const from = performance.now(); !isThere(); await frame())
        if (performance.now() - from > 60_000) throw new Error(`${to} does not come: ${document.body.innerText}`);
      await frame();
      await frame();
      return seen(what);
    },
    { to: path, what: how },
  );
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
  await page.evaluate(`window.faultsSeen = ${faultsSeen.toString()}`);
  await page.evaluate(() => {
    const [own, send] = [window as unknown as InPage, window.fetch.bind(window)];
    own.asked = new Set();
    window.fetch = (...what) => {
      const answer = send(...what);
      own.asked.add(answer);
      return answer.finally(() => own.asked.delete(answer));
    };
  });
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
        // a card is as long as what was done, and a tablet held upright is scrolled with a finger
        const seen = await seenAt(page, `${path}/${stage}`, { scrolls: stage === 'hand-over' || touch, touch });
        faults.push(...seen.map((fault) => `${kind}, ${stage}, ${width} px: ${fault}`));
        if (touch || stage !== 'choose') continue; // one takes: two would wait for one another's button
        const take = page.getByRole('button', { name: /^Take / });
        if (!(await take.isVisible())) continue;
        await take.click();
        await page.waitForURL(/ready$/);
      }
    return faults;
  };
  const [onBench, onTablet] = await Promise.all([look(bench, SCREENS[0]), look(tablet, SCREENS[1])]);
  expect([...onBench, ...onTablet]).toEqual([]);
  for (const page of [bench, tablet]) await page.context().close();
});
