import { expect, signIn, test } from './workshop.js';

test('the day is planned, a block is moved by keys to another bench and stays there until it is let go', async ({ page, workshop }) => {
  await signIn(page, workshop);
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
  await page.keyboard.press('Delete');
  await expect(work).not.toHaveAttribute('aria-label', /pinned$/);
  await work.focus();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/worksheet\/[0-9a-f-]{36}/);
});

test('a block is dragged to a later hour, and what it pushes away follows', async ({ page, workshop }) => {
  await signIn(page, workshop);
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

test('hours in the night are refused for a pin in a sentence, and the plan stays', async ({ page, workshop }) => {
  await signIn(page, workshop);
  const rail = page.getByRole('group', { name: 'The bench day on the rail of hours' });
  const work = rail.getByRole('button', { name: /^0112 Cutwater mandolin, oval hole, bench work/ });
  await expect(page.getByRole('heading', { name: 'Now' })).toBeVisible();
  for (let press = 0; press < 40; press++) {
    await work.focus();
    const answer = page.waitForResponse((response) => response.url().endsWith('/api/day/pins'));
    await page.keyboard.press('ArrowRight');
    if (!(await answer).ok()) break;
  }
  await expect(page.getByText(/must lie with all its minutes in one of the windows of its person/)).toBeVisible();
  await expect(work).toBeVisible();
});
