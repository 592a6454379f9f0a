import { readFile } from 'node:fs/promises';
import { arrive, expect, openHouse, test } from './workshop.js';

test.use({ copies: true });

test('a way is tried on an example, its effects are told, and it is kept: the worksheet winds by it', async ({ page, workshop }) => {
  await arrive(page, workshop, '/house', 'Wenna Tarrow');
  const less = page.getByRole('button', { name: 'A quarter turn less, thin plain' });
  await less.click();
  await less.click();
  const effect = page.getByRole('row', { name: /^turns, strings 1 to 2/ });
  await expect(effect).toContainText('3');
  await expect(effect).toContainText('→ 2½');
  await page.getByRole('button', { name: 'put back' }).click();
  await expect(effect).toBeHidden();
  await page.getByLabel('Turns, thin plain').fill('0.2');
  await page.getByLabel('Turns, thin plain').press('Tab');
  await expect(page.getByRole('alert')).toContainText('between 0.5 and 8 turns');
  await page.getByLabel('Turns, thin plain').fill('2,5');
  await page.getByLabel('Turns, thin plain').press('Tab');
  await page.getByRole('button', { name: 'Keep for the house' }).click();
  await expect(page.getByRole('button', { name: 'Keep for the house' })).toBeHidden();
  await expect.poll(() => workshop.query(`SELECT methods->'turns'->>'thin-plain' AS turns FROM house`)).toEqual([{ turns: '2.5' }]);
  await page.reload();
  await expect(page.getByLabel('Turns, thin plain')).toHaveValue('2.5');
  await expect(page.getByText('ways: turns.thin-plain: as usual to 2.5')).toBeVisible();
});

test('what comes later pushes nothing away that is there already: a press would miss its button', async ({ page, workshop }) => {
  await arrive(page, workshop, '/today', 'Wenna Tarrow');
  let asked = 0;
  // one part after the other, in an order of its own
  await page.route('**/api/**', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 300 + 300 * (asked++ % 4)));
    await route.continue();
  });
  await openHouse(page);
  await expect(page.getByText('Looking who works here …')).toBeVisible();
  await page.evaluate(() => {
    const moved: string[] = [];
    Object.assign(window, { moved });
    type Shift = PerformanceEntry & { value: number; sources: { node: Node | null; previousRect: DOMRect; currentRect: DOMRect }[] };
    new PerformanceObserver((list) => {
      for (const { value, sources } of list.getEntries() as Shift[])
        for (const { node, previousRect, currentRect } of sources)
          if (value > 0.02)
            moved.push(`${node?.textContent?.trim().slice(0, 20)} from ${previousRect.y} to ${currentRect.y} px (${value})`);
    }).observe({ type: 'layout-shift' });
  });
  for (const part of ['People', 'Signed in', 'Who did what', 'Tools that have a size'])
    await expect(page.getByRole('heading', { name: part })).toBeVisible();
  // parts that moved a fiftieth of the screen and more: the week came over the ways, and moved a half
  expect(await page.evaluate(() => (window as unknown as { moved: string[] }).moved)).toEqual([]);
});

test("a way of one's own lies over that of the house, and so does one's hand: both are kept, and the owner sees whose ways they are", async ({
  page,
  workshop,
}) => {
  const kept = async (what: string) =>
    (await workshop.query(`SELECT preferences->${what} AS it FROM person WHERE name = 'Wenna Tarrow'`))[0];
  const ofHouse = await workshop.query('SELECT methods FROM house');
  await arrive(page, workshop, '/house', 'Wenna Tarrow');
  await page.getByRole('option', { name: 'your own' }).click();
  await page.getByLabel('Turns, thin plain').fill('3.5');
  await page.getByLabel('Turns, thin plain').press('Tab');
  await expect(page.getByRole('row', { name: /^turns, strings 1 to 2/ })).toContainText('→ 3½');
  await page.getByRole('button', { name: 'Keep as your own' }).click();
  await expect.poll(() => kept(`'methods'->'turns'`)).toEqual({ it: { 'thin-plain': 3.5 } });
  expect(await workshop.query('SELECT methods FROM house')).toEqual(ofHouse); // the house has none of it
  await page.getByLabel('Your fist, mm').fill('12');
  await page.getByLabel('Your fist, mm').press('Tab');
  await expect(page.getByRole('alert')).toContainText('the height of a fist');
  await page.getByLabel('Your fist, mm').fill('88');
  await page.getByLabel('Your fist, mm').press('Tab');
  await expect.poll(() => kept(`'hand'->'fistMm'`)).toEqual({ it: 88 });
  await page.reload();
  await expect(page.getByText(/thin plain 3.5; says slack pulled back to a fret/)).toBeVisible();
  await expect(page.getByRole('img', { name: /Wenna: fist 88 mm/ })).toBeVisible();
});

test('somebody is added, forgets their passphrase, gets a link, and is signed out for good once they have left', async ({
  browser,
  page,
  workshop,
}) => {
  await arrive(page, workshop, '/house', 'Wenna Tarrow');
  await page.getByRole('button', { name: 'add somebody …' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Pip Sallow');
  await page.getByLabel('A passphrase to begin with').fill('short');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText(/It must have at least 12 characters/)).toBeVisible();
  await page.getByLabel('A passphrase to begin with').fill('wind it down and true');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('button', { name: 'A new passphrase for Pip Sallow' }).click();
  const address = await page.locator('code', { hasText: '/new-passphrase#' }).innerText();

  const context = await browser.newContext();
  const pip = await context.newPage();
  await pip.goto(address);
  await pip.getByLabel('New passphrase').fill('a tide table and a fork');
  await pip.getByRole('button', { name: 'Keep it' }).click();
  await expect(pip.getByText('It is kept.')).toBeVisible();
  await pip.getByRole('link', { name: 'sign in with it' }).click();
  await pip.getByLabel('Name').fill('Pip Sallow');
  await pip.getByLabel('Passphrase').fill('a tide table and a fork');
  await pip.getByRole('button', { name: 'Open the workshop' }).click();
  await expect(pip.getByRole('navigation', { name: 'Places' })).toBeVisible();

  await page.getByRole('combobox', { name: 'Whether Pip Sallow works here' }).click();
  await page.getByRole('option', { name: 'has left' }).click();
  await expect(page.getByText('Pip Sallow: has left')).toBeVisible();
  // at once, with nothing pressed
  await expect(pip.getByRole('button', { name: 'Open the workshop' })).toBeVisible();
  await context.close();
});

test('a tablet of the bench changes people by a code, which is good for the bench alone', async ({ page, workshop }) => {
  await arrive(page, workshop, '/house', 'Wenna Tarrow');
  await page.getByLabel('Four to eight digits').fill('60417');
  await page.getByRole('textbox', { name: 'Passphrase', exact: true }).fill('salt wind and silver wire');
  await page.getByRole('button', { name: 'keep this code' }).click();
  await expect(page.getByText('on a device of the bench your code is enough')).toBeVisible();
  await page.getByLabel('Let this device be one of the bench').fill('bench 2');
  await page.getByRole('button', { name: 'allow this device' }).click();
  await expect(page.getByText('bench 2, this one')).toBeVisible();
  await page.getByRole('button', { name: /^You: / }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();

  await page.getByRole('button', { name: 'Wenna Tarrow', exact: true }).click();
  await expect(page.getByLabel('Code', { exact: true })).toBeFocused();
  await page.keyboard.type('60418');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('not the code of this person');
  await page.keyboard.type('60417');
  await page.keyboard.press('Enter');
  await expect(page.getByText('You signed in by your code, which is good for the bench.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'People' })).toBeHidden();
  await page.getByRole('button', { name: 'sign in with your passphrase' }).click();
  await expect(page.getByRole('button', { name: 'Open the workshop' })).toBeVisible();
});

test('a copy is made, compared and carried out; until then the house says that all lie in it', async ({ page, workshop }) => {
  await arrive(page, workshop, '/house', 'Wenna Tarrow');
  await page.getByRole('button', { name: 'Copy now' }).click();
  await expect(page.getByText(/every row compared, in/)).toBeVisible({ timeout: 40_000 });
  await expect(page.getByText(/none was ever carried out/)).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: /^Carry out the copy/ }).first().click(); // prettier-ignore
  const file = await (await download).path();
  expect(JSON.parse(await readFile(file, 'utf8'))).toMatchObject({ 'gold-peg': 'archive' });
  await expect(page.getByText(/none was ever carried out/)).toBeHidden();
});
