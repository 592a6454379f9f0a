import type { Page } from '@playwright/test';
import { seriousFaults } from './access.js';
import { tabTo } from './by-keys.js';
import { arriveAtStage, expect, says, stageLink, test } from './workshop.js';

/** What each round cost is typed at the string in hand; from the third on it is told how many are left. */
async function settleInRounds(page: Page, lost: readonly string[]): Promise<void> {
  for (const cents of lost) {
    await page.keyboard.press('Enter');
    await page.keyboard.type(cents);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: `lost ${cents} ¢` })).toBeVisible();
  }
  await expect(page.getByText('It stretches and does not slip. By hand it is never done')).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
}

test('a whole instrument is restrung by keyboard alone, from signing in to the card', async ({ page, workshop }) => {
  test.setTimeout(150_000);
  const press = (key: string) => page.keyboard.press(key);

  await page.goto(workshop.address);
  await tabTo(page, /^Name$/);
  await page.keyboard.type('Corin Vell');
  await press('Tab');
  await page.keyboard.type('four turns below the hole');
  await press('Enter');
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
  await tabTo(page, /Pipit concert ukulele, mahogany/);
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'Which set?' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Take / })).toBeVisible();
  await press('Space'); // takes the set that is laid out

  // Ready: a reading, the tools, the reference, all strings in one go
  await says(page, 'String 4 laid out');
  expect(await seriousFaults(page)).toEqual([]);
  await press('Enter'); // the reading's field
  await page.keyboard.type('0.71');
  await press('Enter');
  await expect(page.getByText(/String 4 reads 0\.71 mm.*as planned/)).toBeVisible();
  await press('Escape');
  await tabTo(page, /are there$/);
  await press('Enter');
  await expect(page.getByText('✓ all there')).toBeVisible();
  await tabTo(page, /^checked$/);
  await press('Enter');
  await expect(page.getByText('✓ as asked, A = 440 Hz')).toBeVisible();
  await press('Escape'); // from the button back to the lanes
  await press('Shift+Space');

  // one string at a time, with a groove found under the first, and a break in between
  await says(page, 'String 4 off');
  expect(await seriousFaults(page)).toEqual([]);
  for (const string of [4, 3, 2, 1]) {
    await says(page, `String ${string} off`);
    await press('Space');
    await says(page, `String ${string} looked over`);
    if (string === 4) {
      expect(await seriousFaults(page)).toEqual([]);
      await press('Enter'); // where
      await tabTo(page, /^fret$/);
      await press('Control+a');
      await page.keyboard.type('3');
      await press('Enter');
      await expect(page.getByRole('list', { name: 'Findings' })).toContainText('groove at fret 3, string 4');
      await press('Escape');
      await press('p');
      await expect(page.getByRole('button', { name: /^go on/ })).toBeVisible();
      await press('p');
      await expect(page.getByRole('button', { name: /^stop clock/ })).toBeVisible();
    }
    await press('Space');
    await says(page, `String ${string} tied`);
    if (string === 4) expect(await seriousFaults(page)).toEqual([]);
    await press('Space');
    await says(page, `String ${string} wound`);
    for (const [key, says] of string === 4
      ? ([
          ['w', 'less what stretch brings'],
          ['?', 'Backspace'],
        ] as const)
      : []) {
      await press(key); // its reasons, and the keys
      await expect(page.getByRole('dialog')).toContainText(says);
      await press('Escape');
      await expect(page.getByRole('dialog')).toBeHidden();
    }
    await press('Space');
    await says(page, `String ${string} up, stretched once`);
    await press('Space');
  }

  // a step too far is taken back; then all together to the end
  await says(page, 'String 4 at pitch');
  await press('Space');
  await says(page, 'String 3 at pitch');
  await press('Backspace');
  await says(page, 'String 4 at pitch');
  for (const does of ['at pitch', 'settled', 'trimmed']) {
    await says(page, `String 4 ${does}`);
    if (does === 'settled') await settleInRounds(page, ['60', '24', '10']);
    await press('Shift+Space');
  }
  await expect(page.getByText('All strings are trimmed.')).toBeVisible();
  await press('ArrowRight');
  await expect(page.getByText('every string has passed every stage')).toBeVisible();
  await expect(page.getByRole('row', { name: /^4 / })).toContainText('3 rounds, last 10 ¢');
  expect(await seriousFaults(page)).toEqual([]);
  await press('Enter');
  await page.keyboard.type('retune tonight');
  await tabTo(page, /^Hand over and close$/);
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'Handed over' })).toBeVisible();
  const story = page.getByRole('list', { name: 'The story of this job' });
  await expect(story).toContainText('laid ready: winder');
  await expect(story).toContainText('stopped the clock');
  await expect(story).toContainText('found: groove at fret 3 under string 4');
  await expect(page.getByTestId('waiting')).toBeHidden();
  const steps = await workshop.query<{ count: string }>(
    `SELECT count(*) FROM bench_event e JOIN job ON job.id = e.job_id JOIN instrument i ON i.id = job.instrument_id
     WHERE i.passport = 115 AND job.reason LIKE 'Wants fluoro%' AND event ? 'string' AND kind NOT IN ('gauge-read', 'pitch-read')`,
  );
  expect(Number(steps[0]?.count)).toBe(9 * 4 + 1); // and the one that was taken back
});

test('the facts of a bridge are set at the bench and change the drawings', async ({ page, workshop }) => {
  await arriveAtStage(page, workshop, 'Almery classical, cedar', 'anchor');
  await expect(page.getByRole('heading', { name: /Tuck it/ })).toBeVisible();
  await page.getByRole('radio', { name: '12', exact: true }).check();
  await expect(page.getByRole('heading', { name: /Back through the second hole/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('radio', { name: '12', exact: true })).toBeChecked();
  await page.getByRole('radio', { name: '9', exact: true }).check();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^6 E/ }).click();
  await expect(page.getByRole('heading', { name: /Tuck it/ })).toBeVisible();
  await page.getByRole('button', { name: /^1 E/ }).click();
  await expect(page.getByRole('heading', { name: /Back through the second hole/ })).toBeVisible();
});

test('what was found and measured comes back at the next job of the instrument', async ({ page, workshop }) => {
  await arriveAtStage(page, workshop, 'Cutwater mandolin, oval hole', 'strip');
  await expect(page.getByText('treble side 177.5 mm')).toBeVisible();
  await page.getByLabel('bridge, treble side').fill('178');
  await page.keyboard.press('Tab');
  await expect(page.getByText('treble side 178 mm')).toBeVisible();
  await stageLink(page, 'Look over').click();
  await expect(page.getByRole('list', { name: 'Findings' })).toContainText('found before, not yet today');
  await page.getByRole('button', { name: 'still so' }).click();
  await stageLink(page, 'Hand over').click();
  await expect(page.getByRole('list', { name: 'What was found' })).toContainText('dry board');
  await expect(page.getByRole('table', { name: 'What was measured' })).toContainText('178.00 mm177.50 mm');
});
