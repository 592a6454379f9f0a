import { readFile } from 'node:fs/promises';
import { arrive, expect, test } from './workshop.js';

test('what is due is asked for more closely in its passport, and comes sooner for who plays more', async ({ page, workshop }) => {
  await arrive(page, workshop, '/register');
  await page.getByRole('link', { name: 'what is due' }).click();
  const row = page.getByRole('row', { name: /Brindle six, tar black/ });
  await expect(row).toContainText('hours never asked');
  await page.getByRole('link', { name: 'Brindle six, tar black' }).click();
  await expect(page.getByText(/^Nobody asked how much it is played: 5 h a week/)).toBeVisible();
  await page.getByLabel('hours a week').fill('400');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Hours a week must lie between 0 and 100 h: a week has 168 hours, and fingers rest.')).toBeVisible();
  await page.getByLabel('hours a week').fill('25');
  await page.keyboard.press('Enter');
  // 60 days at 25 h a week are 214 h: more than its wound strings last
  await expect(page.getByText(/^Jessamy Roke plays it 25 h a week, asked .*: it is past its hours/)).toBeVisible();
  await expect(page.getByRole('cell', { name: '214 h' })).toBeVisible();
  await page.goBack();
  await expect(row).toContainText('25 h a week');
  await expect(row).toContainText('days ago');
});

test('a code on a case opens its passport, and its papers and the log are at hand there', async ({ page, workshop }) => {
  await arrive(page, workshop, '/p/0121');
  await expect(page.getByRole('heading', { name: 'Heron parlour, spruce' })).toBeVisible();
  await expect(page).toHaveURL(/register\/[0-9a-f-]{36}$/);
  for (const name of ['case label', 'last card']) {
    const path = await page.getByRole('link', { name }).getAttribute('href');
    const paper = await page.request.get(`${workshop.address}${path}`);
    expect([paper.status(), paper.headers()['content-type']]).toEqual([200, 'application/pdf']);
  }
  await page.getByRole('button', { name: 'remind its owner …' }).click();
  await expect(page.getByLabel('Text', { exact: true })).toHaveValue(/^Dear Bram Isleworthy,[^]*string \d first/);
  await page.getByRole('button', { name: 'Into the outbox' }).click();
  await expect(page.getByText('“berth 4, the old quay”, as Bram Isleworthy is reached, is no mail address')).toBeVisible();
  await page.getByRole('option', { name: 'text message' }).click();
  await page.getByRole('button', { name: 'Into the outbox' }).click();
  await expect(page.getByText('The text message to Bram Isleworthy lies in the outbox.')).toBeVisible();
  await page.goto(`${workshop.address}/register/outbox`);
  await expect(page.getByText(/^Heron parlour, spruce \(0121\): its strings .* How many hours a week is it played\?$/)).toBeVisible();

  await page.goto(`${workshop.address}/p/9999`);
  await expect(page.getByText('There is no passport 9999 in this register.')).toBeVisible();

  await page.goto(`${workshop.address}/register/log`);
  await page.getByLabel('Passport').fill('0121');
  await page.getByRole('combobox', { name: 'Kind' }).click();
  await page.getByRole('option', { name: 'found', exact: true }).click();
  await expect(page.getByRole('row')).toHaveCount(1 + 6); // its head, and all that was ever found on it
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'CSV' }).click()]);
  const rows = (await readFile(await file.path(), 'utf8')).trim().split('\n');
  expect(rows).toHaveLength(1 + 6);
  expect(rows[1]).toContain(',121,"Heron parlour, spruce",');
});

test('an instrument is made of parts, a copy of another, and gets photos; a drawing with a script is none', async ({ page, workshop }) => {
  await arrive(page, workshop, '/register/new');
  await page.getByLabel('Name', { exact: true }).fill('Brindle seven, fog');
  await page.getByLabel('or a copy of one in the register').fill('dune');
  await page.getByRole('option', { name: 'Brindle six, dune' }).click();
  await expect(page.getByText(/^a copy of Brindle six, dune: six in line/)).toBeVisible();
  await page.getByRole('combobox', { name: 'Layout of the head' }).click();
  await page.getByRole('option', { name: 'posts on both sides' }).click();
  await page.getByRole('option', { name: 'strings and nut' }).click();
  await page.getByRole('button', { name: /^one course more/ }).click();
  await expect(page.getByLabel('Note of string 7')).toHaveValue('B1');
  await page.getByRole('option', { name: 'head', exact: true }).click();
  await page.getByRole('combobox', { name: 'Posts on either side' }).click();
  await page.getByRole('option', { name: '5 bass, 2 treble' }).click();
  await page.getByRole('option', { name: 'bridge and woods' }).click();
  await page.getByRole('combobox', { name: 'Finish of the top' }).click();
  await page.getByRole('option', { name: 'old soft lacquer' }).click();
  await page.getByRole('button', { name: 'Add to the register' }).click();
  await expect(page.getByRole('heading', { name: 'Brindle seven, fog' })).toBeVisible();
  await expect(page.getByText(/posts on both sides, 5 and 2, .*, vibrato that floats · 648 mm/)).toBeVisible();

  await page.getByRole('option', { name: 'photos' }).click();
  const png = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');
  const script = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>document.title = "gone"</script></svg>');
  const field = page.locator('peg-file-button input');
  await field.setInputFiles({ name: 'clamp.png', mimeType: 'image/png', buffer: script });
  await expect(page.getByText(/must be a photo or a scan: JPEG, PNG, WebP or PDF/)).toBeVisible();
  await page.getByLabel('What it shows').fill('how the clamps lay');
  await field.setInputFiles({ name: 'clamp.png', mimeType: 'image/png', buffer: png });
  const photo = page.getByRole('img', { name: 'how the clamps lay' });
  await expect(photo).toBeVisible();
  expect(await photo.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(1);
  await page.getByRole('button', { name: 'Take away how the clamps lay' }).click();
  await expect(page.getByText(/^No photo yet/)).toBeVisible();
});

test('an instrument that was taken into the register twice becomes one, and owners who are one as well', async ({ page, workshop }) => {
  await arrive(page, workshop, '/register/new');
  await page.getByLabel('Name', { exact: true }).fill('Brindle six, sand');
  await page.getByLabel('or a copy of one in the register').fill('dune');
  await page.getByRole('option', { name: 'Brindle six, dune' }).click();
  await page.getByLabel('Owner').fill('Jessamy Roake');
  await page.getByRole('button', { name: 'Add to the register' }).click();
  await expect(page.getByRole('heading', { name: 'Brindle six, sand' })).toBeVisible();
  const address = page.url();
  const photo = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');
  await page.getByRole('option', { name: 'photos' }).click();
  await page.getByLabel('What it shows').fill('a chip at the pocket');
  await page.locator('peg-file-button input').setInputFiles({ name: 'chip.png', mimeType: 'image/png', buffer: photo });
  await expect(page.getByRole('img', { name: 'a chip at the pocket' })).toBeVisible();

  await page.getByRole('button', { name: 'it is here twice …' }).click();
  const both = page.getByRole('button', { name: 'put both together' });
  await page.getByLabel('It is the same as').fill('Longshore four');
  await page.getByRole('option', { name: /Longshore four/ }).first().click(); // prettier-ignore
  await expect(page.getByText(/has 4 strings, and this one 6: it is another instrument/)).toBeVisible();
  await expect(both).toBeDisabled();
  await page.getByLabel('It is the same as').fill('dune');
  await page.getByRole('option', { name: 'Brindle six, dune' }).click();
  await expect(page.getByText(/^Brindle six, dune, passport \d+, keeps its 0 setups, photos .* This has no way back\.$/)).toBeVisible();
  await both.click();
  await expect(page.getByRole('heading', { name: 'Brindle six, dune' })).toBeVisible();
  await page.getByRole('option', { name: 'photos' }).click();
  await expect(page.getByRole('img', { name: 'a chip at the pocket' })).toBeVisible();
  await page.goto(address);
  await expect(page.getByText(/^It is passport \d+ now\.$/)).toBeVisible();

  await page.getByRole('link', { name: 'Register', exact: true }).click();
  await page.getByLabel('Find').fill('Jessamy');
  await page.getByRole('button', { name: 'Change Jessamy Roake' }).click();
  await page.getByRole('button', { name: 'is in the register twice …' }).click();
  await page.getByRole('menuitem', { name: /^is Jessamy Roke,/ }).click();
  await expect(page.getByText(/of Jessamy Roake goes to Jessamy Roke, and Jessamy Roake leaves the register/)).toBeVisible();
  await page.getByRole('button', { name: 'put both together' }).click();
  await expect(page.getByText('Jessamy Roake and Jessamy Roke are one now.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Change Jessamy Roake' })).toBeHidden();
});
