import { setsFor } from '@gold-peg/craft/strings';
import { logString } from '@gold-peg/craft/worksheet';
import { STRING_EVENTS, STRING_STAGES } from '@gold-peg/craft/stages';
import type { Page } from '@playwright/test';
import { v7 as uuidV7 } from 'uuid';
import { seriousFaults } from './access.js';
import { arrive, expect, test, type Workshop } from './workshop.js';

/** A Tuesday, twenty to ten by the clock of the harbour, for the house and for the page. */
const MORNING = '2026-05-26T08:40:00Z';
test.use({ clock: MORNING });
test.beforeEach(({ page }) => page.clock.install({ time: MORNING }));

test('the day is planned, a block is moved by keys to another bench and stays there until it is let go', async ({ page, workshop }) => {
  await arrive(page, workshop, '/today');
  const rail = page.getByRole('group', { name: 'The bench day on the rail of hours' });
  await expect(rail).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Now' })).toBeVisible();
  const work = rail.getByRole('button', { name: /^0104 Brindle six, sea green, bench work/ });
  const before = (await work.getAttribute('aria-label')) ?? '';
  const other = before.includes('Corin Vell') ? { key: 'ArrowDown', name: 'Wenna Tarrow' } : { key: 'ArrowUp', name: 'Corin Vell' };
  const planned = page.waitForResponse((response) => response.url().endsWith('/api/day/pins') && response.ok());
  await work.focus();
  await page.keyboard.press(other.key);
  await planned;
  await expect(work).toHaveAttribute('aria-label', new RegExp(`${other.name}, pinned$`));
  await page.reload();
  await expect(work).toHaveAttribute('aria-label', new RegExp(`${other.name}, pinned$`));
  await work.focus();
  const asked: number[] = [];
  page.on('request', (request) => {
    if (!request.url().endsWith('/api/day/pins')) return;
    const { place } = request.postDataJSON() as { place: { startAt: string } | null };
    if (place !== null) asked.push(Date.parse(place.startAt) / 60_000);
  });
  workshop.hold(); // keys come faster than answers: each goes on from where the last one asked for it
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  workshop.letGoOn();
  await expect.poll(() => asked.map((start) => start - (asked[0] ?? 0))).toEqual([0, 15]);
  await page.keyboard.press('Delete');
  await expect(work).not.toHaveAttribute('aria-label', /pinned$/);
  await work.focus();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/worksheet\/[0-9a-f-]{36}/);
});

test('a block is dragged to a later hour, and what it pushes away follows', async ({ page, workshop }) => {
  await arrive(page, workshop, '/today');
  const rail = page.getByRole('group', { name: 'The bench day on the rail of hours' });
  const work = rail.getByRole('button', { name: /^0109 Longshore four, oxblood, bench work/ });
  await expect(work).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Now' })).toBeVisible(); // the plan is the best one now
  const [box, whole] = await Promise.all([work.boundingBox(), rail.boundingBox()]);
  if (box === null || whole === null) throw new Error('nothing is drawn');
  const pinned = page.waitForResponse((response) => response.url().endsWith('/api/day/pins'));
  await page.mouse.move(box.x + 10, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(whole.x + whole.width * 0.62, box.y + 12, { steps: 8 });
  await page.mouse.up();
  expect((await pinned).status()).toBe(200);
  await expect(work).toHaveAttribute('aria-label', /pinned$/);
  const aside = async () => Math.abs(((await work.boundingBox())?.x ?? 0) + 10 - (whole.x + whole.width * 0.62));
  await expect.poll(aside).toBeLessThan(12);
});

test('a finger drags a block to another bench, and a touch that moves nothing opens its worksheet', async ({ browser, workshop }) => {
  const context = await browser.newContext({ baseURL: workshop.address, viewport: { width: 900, height: 1200 }, hasTouch: true });
  const page = await context.newPage();
  await page.clock.install({ time: MORNING });
  await arrive(page, workshop, '/today');
  const rail = page.getByRole('group', { name: 'The bench day on the rail of hours' });
  await expect(page.getByRole('heading', { name: 'Now', exact: true })).toBeVisible();
  const work = rail.getByRole('button', { name: /^0104 Brindle six, sea green, bench work/ });
  const is = (await work.getAttribute('aria-label')) ?? '';
  const other = is.includes('Corin Vell') ? 'Wenna' : 'Corin';
  const [box, groove] = await Promise.all([work.boundingBox(), rail.getByText(other, { exact: true }).boundingBox()]);
  if (box === null || groove === null) throw new Error('nothing is drawn');
  const devtools = await context.newCDPSession(page);
  const finger = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: { x: number; y: number }[]) =>
    devtools.send('Input.dispatchTouchEvent', { type, touchPoints: points });
  const [x, from, to] = [box.x + 12, box.y + 12, groove.y + groove.height / 2];
  const pinned = page.waitForResponse((response) => response.url().endsWith('/api/day/pins'));
  await finger('touchStart', [{ x, y: from }]);
  for (let step = 1; step <= 6; step++) await finger('touchMove', [{ x, y: from + ((to - from) * step) / 6 }]);
  await finger('touchEnd', []);
  expect((await pinned).status()).toBe(200);
  await expect(work).toHaveAttribute('aria-label', new RegExp(`${other} \\w+, pinned$`));
  await work.tap();
  await expect(page).toHaveURL(/worksheet\/[0-9a-f-]{36}/);
  await context.close();
});

test('hours outside those of the house are refused for a pin in a sentence, and the plan stays', async ({ page, workshop }) => {
  await workshop.query(`UPDATE "day" SET "pinned" = '[]'`); // or it may come upon what was pinned before, and be refused for that
  await arrive(page, workshop, '/today');
  const rail = page.getByRole('group', { name: 'The bench day on the rail of hours' });
  const work = rail.getByRole('button', { name: /^0112 Cutwater mandolin, oval hole, bench work/ });
  await expect(page.getByRole('heading', { name: 'Now' })).toBeVisible();
  const minutes = /\d+ min/.exec((await work.getAttribute('aria-label')) ?? '')?.[0] ?? '';
  for (let press = 0; press < 12; press++) {
    await work.focus();
    const answer = page.waitForResponse((response) => response.url().endsWith('/api/day/pins'));
    await page.keyboard.press('Shift+ArrowRight'); // an hour
    if (!(await answer).ok()) break;
  }
  const refused = new RegExp(`^It cannot lie there:.* is there.* 9:00 to 12:15 and 13:00 to 17:30: ${minutes} from.* do not fit`);
  await expect(page.getByText(refused)).toBeVisible();
  await expect(work).toBeVisible();
});

test('hours of the house are changed by its owner, and Today follows; what cannot be is said at its day', async ({ page, workshop }) => {
  await arrive(page, workshop, '/today/hours', 'Wenna Tarrow');
  await expect(page.getByText('42 h 45')).toBeVisible();
  await page.getByLabel('Wednesday').first().fill('10 to 9');
  await page.getByRole('button', { name: 'Keep these hours' }).click();
  await expect(page.getByText('Wednesday must follow one another, each ending after it begins')).toBeVisible();
  await page.getByLabel('Wednesday').first().fill('');
  await expect(page.getByText('35 h 00')).toBeVisible(); // seven and three quarters less
  await page.getByLabel('Days on which the house is closed').first().fill('28/5/2026');
  await page.getByLabel('Days on which the house is closed').first().press('Enter');
  await expect(page.getByText('Thu 28 May 2026')).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'Keep these hours' }).click();
  await expect(page.getByText('Kept: Today is planned with them.')).toBeVisible();
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  const rail = page.getByRole('group', { name: 'The bench day on the rail of hours' });
  await expect(rail.getByText(/^Fri 9:00/)).toBeVisible(); // neither Wednesday nor Thursday lies between
  await page.goBack();
  await page.getByLabel('Wednesday').first().fill('9-12:15, 13-17:30');
  await page.getByRole('button', { name: 'Take away Thu 28 May 2026' }).click();
  await page.getByRole('button', { name: 'Keep these hours' }).click();
  await expect(page.getByText('Kept: Today is planned with them.')).toBeVisible();
});

test('somebody falls ill: a press takes them out of today, the plan follows, and says in a line what moved and why', async ({
  page,
  workshop,
}) => {
  await arrive(page, workshop, '/today');
  const rail = page.getByRole('group', { name: 'The bench day on the rail of hours' });
  await expect(page.getByRole('heading', { name: 'Now', exact: true })).toBeVisible();
  const today = rail.getByRole('button', { name: /, \d+:\d\d, \d+ min, Corin Vell/ }); // another day is said with its name
  await expect(today.first()).toBeVisible();
  await page.getByRole('button', { name: 'who is here' }).click();
  const corin = page.getByRole('option', { name: 'Corin Vell' });
  await corin.click();
  await expect(corin).toHaveAttribute('aria-selected', 'false');
  await expect(page.getByText(/the plan moved\..*since Corin Vell is not there then\./)).toBeVisible();
  await expect(today).toHaveCount(0);
  expect(await seriousFaults(page)).toEqual([]);
  await corin.click();
  await expect(corin).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('button', { name: 'seen', exact: true }).click();
  await expect(page.getByText(/since Corin Vell is not there then/)).toBeHidden();
});

test('as the day goes by a promise comes into danger: its owner is asked for another hour, which is then the one that is promised', async ({
  page,
  workshop,
}) => {
  await arrive(page, workshop, '/today');
  await expect(page.getByRole('heading', { name: 'Tuesday 26 May' })).toBeVisible();
  const dangers = page.getByRole('region', { name: 'Promises in danger' });
  await expect(page.getByRole('heading', { name: 'Now', exact: true })).toBeVisible();
  await expect(dangers.getByText(/0117/)).toBeHidden();
  const afternoon = '2026-05-26T14:20:00Z'; // ten minutes before it is promised, with twenty to do
  await workshop.moveTo(afternoon);
  await page.clock.setSystemTime(afternoon);
  await page.reload();
  const danger = dangers.locator('p').filter({ hasText: '0117' });
  await expect(danger).toContainText('promised 15:30');
  await danger.getByRole('button', { name: /^ask Tamsel Orre for / }).click();
  await expect(page.getByRole('region', { name: /^Another hour: / })).toBeVisible();
  await expect(page.getByLabel('Text', { exact: true })).toHaveValue(/we promised Heron parlour, walnut \(passport 0117\) for 15:30/);
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'Into the outbox' }).click();
  await expect(page.getByRole('region', { name: /^Another hour: / })).toBeHidden();
  await expect(danger).toBeHidden();
  const [job] = await workshop.query<{ moved: boolean; chance: number; later: boolean }>(
    `SELECT promise_moved AS moved, promised_chance AS chance, promised_at > '2026-05-26T14:30:00Z' AS later
     FROM job JOIN instrument i ON i.id = instrument_id WHERE i.passport = 117 AND state <> 'handed-over'`,
  );
  expect(job).toEqual({ moved: true, chance: 0.9, later: true });
  await workshop.moveTo(MORNING);
});

test('nylon for the day after tomorrow is hung up as it is taken in, and the work waits for it', async ({ page, workshop }) => {
  await arrive(page, workshop, '/register');
  await page.getByLabel('Find').fill('0133');
  await expect(page.getByRole('table', { name: 'Instruments' }).getByRole('link')).toHaveCount(1); // rows that still move lose a press
  await page.getByRole('link', { name: /Almery classical, student/ }).click();
  await page.getByRole('button', { name: 'Take it in …' }).click();
  await page.getByLabel('Promised for').fill('28/05/2026');
  await page.getByLabel('at', { exact: true }).fill('09:30');
  await page.getByLabel('at', { exact: true }).press('Tab');
  await expect(page.getByText(/^As all lies, \d+ in 100\./)).toBeVisible();
  await page.getByRole('button', { name: 'Take it in', exact: true }).click();
  await expect(page).toHaveURL(/choose$/);
  await page.keyboard.press('Space'); // takes the set that was on it
  await page.getByRole('navigation', { name: 'Stages of the work' }).getByRole('link', { name: /^Choose/ }).click(); // prettier-ignore
  await page.getByRole('button', { name: 'in a hurry? hang it up first' }).click();
  await expect(page.getByText(/Hung now it holds in about 24 h, .* 1 \d\.\d kg · 2 \d\.\d kg/)).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'it hangs now' }).click();
  await expect(page.getByText(/✓ Hangs since /)).toBeVisible();
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  const row = page.getByRole('listitem').filter({ hasText: 'Almery classical, student' });
  await expect(row.filter({ hasText: 'promised' })).toContainText(/its strings hang until Wed (8|9):\d\d/); // a day from twenty to ten, less the work
});

/** The ukulele of the rack is strung with nylon, all of it a minute ago, by somebody at another bench. */
async function strung(page: Page, workshop: Workshop): Promise<void> {
  const { csrfToken, person } = (await (await page.request.get(`${workshop.address}/api/session`)).json()) as {
    csrfToken: string;
    person: { id: string };
  };
  const [job] = await workshop.query<{ id: string; instrument: string }>(
    `SELECT job.id, i.id AS instrument FROM job JOIN instrument i ON i.id = instrument_id WHERE i.passport = 115 AND state <> 'handed-over'`,
  );
  const set = setsFor('ukulele', 4).find(({ strings }) => strings.every(({ construction }) => construction === 'nylon'));
  if (job === undefined || set === undefined) throw new Error('there is a ukulele in the rack, and a set for it');
  const at = new Date(Date.parse(MORNING) - 60_000).toISOString();
  const head = () => ({ id: uuidV7(), version: 1, jobId: job.id, instrumentId: job.instrument, personId: person.id, deviceId: uuidV7(), at }); // prettier-ignore
  const wound = { turns: 3, slackMm: 30, cutBeyondPostMm: 60, nutDeg: 9 };
  const steps = STRING_STAGES.filter((stage) => stage !== 'balance').flatMap((stage) =>
    [1, 2, 3, 4].map((string) => ({ ...head(), kind: STRING_EVENTS[stage], string, payload: stage === 'wind' ? wound : {} })),
  );
  const payload = { name: set.name, family: 'ukulele', strings: set.strings.map(logString) };
  const events = [{ ...head(), kind: 'set-chosen', payload }, ...steps];
  const sent = await page.request.post(`${workshop.address}/api/events`, { data: { events }, headers: { 'x-csrf-token': csrfToken } });
  expect(sent.status(), await sent.text()).toBe(200);
}

test('strings that are to be tuned again are told of wherever one is, on a device that never saw them, and put off by keys', async ({
  page,
  workshop,
}) => {
  await arrive(page, workshop, '/register');
  await strung(page, workshop);
  const alarm = page.getByText('Tune passport 0115 again:');
  const later = new Date(Date.parse(MORNING) + 40 * 60_000).toISOString(); // nylon wants it within the half hour
  await workshop.moveTo(later);
  await page.clock.setSystemTime(later);
  await page.reload();
  await expect(alarm).toContainText('Pipit concert ukulele, mahogany');
  const put = page.getByRole('button', { name: 'Put off passport 0115' });
  await put.focus();
  await page.keyboard.press('Enter');
  await expect(put).toBeHidden();
  await expect(alarm).toBeHidden();
  await workshop.moveTo(MORNING);
});

test('what became of promises is drawn and told in numbers, and the day goes out as a calendar and on paper', async ({
  page,
  workshop,
}) => {
  await arrive(page, workshop, '/today');
  await expect(page.getByRole('heading', { name: 'Now', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'calendars' }).click();
  await page.getByRole('option', { name: 'strings to tune again' }).click();
  const file = await page.request.get(`${workshop.address}${(await page.getByRole('link', { name: 'as a file' }).getAttribute('href')) ?? ''}`); // prettier-ignore
  expect(file.headers()['content-type']).toContain('text/calendar');
  await page.getByRole('button', { name: 'make an address' }).click();
  const address = await page.locator('peg-subscribe code').innerText();
  await page.context().clearCookies(); // whoever has the address is not signed in
  const read = await (await page.request.get(address)).text();
  const [names, titles] = [read.match(/^UID:.*$/gm) ?? [], read.match(/^SUMMARY:.*$/gm) ?? []];
  expect(new Set(names).size).toBe(names.length);
  expect(titles.length).toBeGreaterThan(0);
  for (const title of titles) expect(title).toContain('tune again');
  await arrive(page, workshop, '/today');
  const path = (await page.getByRole('link', { name: 'the day on paper' }).getAttribute('href')) ?? '';
  const paper = await page.request.get(workshop.address + path);
  expect((await paper.body()).subarray(0, 5).toString()).toBe('%PDF-');
  await page.getByRole('link', { name: 'how honest we were' }).click();
  await expect(page.getByRole('img', { name: /^Of \d+ said to be \d+ in 100, \d+ in 100 were kept/ })).toBeVisible();
  await expect(page.getByRole('row')).not.toHaveCount(1);
  expect(await seriousFaults(page)).toEqual([]);
});
