import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { arrive, arriveAtStage, expect, stageLink, test, type Workshop } from './workshop.js';

const view = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();
async function strings(page: Page, workshop: Workshop, name: string): Promise<void> {
  await arrive(page, workshop, '/strings');
  await view(page, name);
}
async function choose(page: Page, workshop: Workshop, instrument: string): Promise<void> {
  await arriveAtStage(page, workshop, instrument, 'choose');
  await expect(page.getByRole('heading', { name: 'Which set?' })).toBeVisible();
}
const pick = async (page: Page, label: string, option: string | RegExp) => {
  await page.getByRole('combobox', { name: label, exact: true }).click();
  await page.getByRole('option', { name: option }).first().click();
};

test('the solver answers in its worker while the page goes on, and its answer is taken for the job', async ({ page, workshop }) => {
  await choose(page, workshop, 'Brindle six, sea green');
  await page.getByRole('button', { name: /find gauges/ }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('heading', { name: '.010–.046 nickel-plated steel' }).first()).toBeVisible();
  await expect(dialog.getByText(/misses 0\.0 % on average/)).toBeVisible();

  // an equal pull, in the unit of the person, refused where no string could
  await dialog.getByRole('radio', { name: 'pull alike on every string' }).check();
  await dialog.getByLabel(/^each, N/).fill('9000');
  await expect(dialog.getByRole('alert')).toContainText('The pull of each string must lie between 5 and 400 N');
  await dialog.getByLabel(/^each, N/).fill('72');
  await expect(dialog.getByRole('alert')).toHaveCount(0);
  await expect(dialog.getByText(/solved in \d+ ms over \d+ strings/)).toBeVisible();
  await dialog.getByRole('listbox', { name: 'String 3 may be' }).getByRole('option', { name: 'wound' }).click();
  await expect(dialog.getByRole('button', { name: 'Take' }).first()).toBeEnabled();
  const name = await dialog.getByRole('heading', { level: 3 }).first().innerText();
  await dialog.getByRole('button', { name: 'Take' }).first().click();
  await page.getByRole('button', { name: new RegExp(`^Take ${name.replaceAll('.', '\\.')}`) }).click();
  await expect(page).toHaveURL(/\/ready$/);

  // the step is sent in the background
  type Chosen = { event: { payload: { strings: { stringId: string; construction: string }[] } } };
  const latest = async () => {
    const [row] = await workshop.query<Chosen>("SELECT event FROM bench_event WHERE kind = 'set-chosen' ORDER BY seq DESC LIMIT 1");
    return row?.event.payload.strings ?? [];
  };
  await expect.poll(async () => (await latest())[2]?.construction).toBe('wound');
  const chosen = await latest();
  expect(chosen.length).toBe(6);
  for (const { stringId } of chosen) expect(stringId).toMatch(/^(electric|grapnel)/);
});

test('a tuning that breaks a string is said in red before it is taken, and the job keeps the tuning that was taken', async ({
  page,
  workshop,
}) => {
  await choose(page, workshop, 'Longshore four, oxblood');
  await page.getByRole('button', { name: /^tuned E A D G/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('String 1 is tuned to').fill('G4');
  await expect(dialog.getByText(/This tuning breaks string 1 at G4/)).toBeVisible();
  await dialog.getByLabel('String 1 is tuned to').fill('quite high');
  await expect(dialog.getByRole('alert')).toContainText('must be a note with its octave');
  await expect(dialog.getByRole('button', { name: /^Take / })).toBeDisabled();
  await pick(page, 'From the table', /^D A D G/);
  await dialog.getByLabel('A4, Hz').fill('500');
  await expect(dialog.getByRole('alert')).toContainText('A4 must lie between 392 and 466 Hz');
  await dialog.getByLabel('A4, Hz').fill('432');
  await dialog.getByRole('button', { name: 'Take D A D G', exact: true }).click();
  await expect(page.getByRole('button', { name: 'tuned D A D G, A = 432 Hz' })).toBeVisible();
  // the fourth string goes down by a tone and by the reference: (432/440)² · 2^(−4/12) = 0.765
  await expect(page.getByRole('button', { name: /^4 D/ })).toContainText('−23 %');
  await page.getByRole('button', { name: /^Take/ }).click();
  await expect(page).toHaveURL(/\/ready$/);
  await stageLink(page, 'Choose').click();
  await page.reload();
  await expect(page.getByRole('button', { name: 'tuned D A D G, A = 432 Hz' })).toBeVisible();
});

test('a set goes from the shelf to a job, a lost string takes one more, and the supplier fills up what runs low', async ({
  page,
  workshop,
}) => {
  await choose(page, workshop, 'Cutwater mandolin, teardrop');
  await page.getByRole('button', { name: /^Take/ }).click();
  await expect(page.getByRole('button', { name: 'String 8 laid out' })).toBeVisible();
  await page.keyboard.press('2');
  await expect(page.getByRole('button', { name: 'String 2 laid out' })).toBeVisible();
  await page.keyboard.press('Space');
  // the order in force goes on
  await expect(page.getByRole('button', { name: 'String 8 laid out' })).toBeVisible();
  await page.keyboard.press('2');
  await page.keyboard.press('x');
  await expect(page.getByRole('dialog')).toContainText('String 2 is lost: why?');
  await page.getByRole('button', { name: 'kinked' }).click();
  await expect(page.getByRole('button', { name: 'String 2 laid out' })).toBeEnabled();
  await expect(page.getByTestId('waiting')).toBeHidden();

  await page.getByRole('link', { name: 'Strings', exact: true }).click();
  await view(page, 'Shelf');
  const lately = page.getByRole('listitem').filter({ hasText: 'lost, kinked' });
  await expect(lately).toContainText('.010 single');
  await expect(lately).toContainText('0126 Cutwater mandolin, teardrop');

  const came = page.getByText('came, from Simulated supplier');
  const before = await came.count();
  await page.getByRole('button', { name: /^Order \d+ running low/ }).click();
  await expect(page.getByRole('button', { name: 'Order 0 running low' })).toBeDisabled();
  await expect(page.getByText(/on the way, in about/)).toBeVisible();
  await workshop.query("UPDATE supply_order SET promised_at = now() - interval '1 second'");
  await view(page, 'Sets');
  await page.reload();
  await view(page, 'Shelf');
  await expect(came).toHaveCount(before + 1); // it is looked for now and then

  // counted anew, with a fault first
  await page.getByRole('button', { name: 'Count .010–.046 stainless' }).click();
  await expect(page.getByLabel('lie there')).not.toHaveValue(''); // as it was counted before
  await page.getByLabel('lie there').fill('-2');
  await page.getByRole('button', { name: 'Take the count down' }).click();
  await expect(page.getByRole('alert')).toContainText('What lies there must lie between 0 and 9999 pieces');
  await page.getByLabel('lie there').fill('7');
  await page.getByRole('button', { name: 'Take the count down' }).click();
  await expect(page.getByRole('row').filter({ hasText: '.010–.046 stainless' })).toContainText('7');
});

test('a file goes out, is mended by hand, and comes in checked', async ({ page, workshop }) => {
  await strings(page, workshop, 'In and out');
  const download = page.waitForEvent('download');
  await page.getByRole('listitem').filter({ hasText: 'sets' }).getByRole('button', { name: 'as CSV' }).click();
  const text = await readFile(await (await download).path(), 'utf8');
  await pick(page, 'a file of', 'sets');
  const put = async (name: string, content: string) => {
    await page.getByLabel('Pick a file …').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(content) });
  };
  await put('as-it-was.csv', text);
  await expect(page.getByText('Nothing would change.')).toBeVisible();
  await put('broken.csv', text.replace('electric-plain-10 ', 'electric-plain-99 '));
  await expect(page.getByRole('row').filter({ hasText: 'electric-plain-99 is not one' })).toContainText('strings');
  await put('renamed.csv', text.replace('.010–.046 pure nickel', 'old jazz tens'));
  await page.getByRole('button', { name: 'Write 1 rows' }).click();
  await expect(page.getByText('✓ written')).toBeVisible();
  await view(page, 'Sets');
  await expect(page.getByText('old jazz tens')).toBeVisible();
});

test('a set of one’s own is made from a list of gauges, and compared on the workbench', async ({ page, workshop }) => {
  await strings(page, workshop, 'Sets');
  const gauges = page.getByLabel('gauges from string 1 on, w for wound');
  await gauges.fill('10 13 16 27w 36w 46w');
  await page.getByRole('button', { name: 'Add the set' }).click();
  await expect(page.getByText('“27w” is not in the line')).toBeVisible();
  await gauges.fill('9.5 12 16 24w 34w 44w');
  await page.getByRole('button', { name: 'Add the set' }).click();
  await expect(page.getByText('.0095–.044 nickel-plated steel is in the table.')).toBeVisible();
  await view(page, 'Workbench');
  await pick(page, 'then', /^\.0095–\.044/);
  await expect(page.getByRole('button', { name: /^6 E/ })).toContainText('.044');
  await page.getByLabel('or of the register').fill('heron parlour');
  await page.getByRole('option', { name: /^Heron parlour, spruce/ }).click();
  await expect(page.getByRole('button', { name: /^3 G/ })).toContainText('wound');
  await expect(page.getByRole('img', { name: /^Pull across the strings/ })).toBeVisible();
  await page.getByText('in numbers').first().click();
  await expect(page.getByRole('table').first()).toBeVisible();
});
