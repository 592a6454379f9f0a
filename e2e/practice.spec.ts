import { readFile } from 'node:fs/promises';
import { exerciseOf, rightSlack } from '@gold-peg/craft/exercises';
import { arrive, expect, test } from './workshop.js';

test('slack is practised by hand, by keys and by finger, with the server away, and what came of it is kept', async ({
  page,
  context,
  workshop,
}) => {
  await arrive(page, workshop, '/practice');
  await expect(page.getByRole('heading', { name: /^Lift string/ })).toBeVisible(); // never practised: the first of all
  const seed = async () => Number(await page.locator('peg-fact', { hasText: 'seed' }).locator('b').innerText());

  // by the mouse: the handle is drawn up as far as is right
  const lifted = page.getByRole('slider', { name: 'Lift at fret 12' });
  const right = rightSlack(exerciseOf('slack', await seed(), 0), 'lift');
  const before = await lifted.boundingBox();
  if (before === null) throw new Error('no handle');
  const [x, y] = [before.x + before.width / 2, before.y + before.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 40, { steps: 5 });
  const perPx = (Number(await lifted.getAttribute('aria-valuenow')) - 30) / 40;
  await page.mouse.move(x, y - (right - 30) / perPx, { steps: 8 });
  await page.mouse.up();
  await page.keyboard.press('Space');
  await expect(page.locator('peg-exercise-frame').getByRole('status')).toContainText('turns it would have made');
  await expect(page.getByText('1 tried')).toBeVisible();
  await expect.poll(() => workshop.query(`SELECT skill, good FROM practice_try`)).toEqual([{ skill: 'slack', good: true }]);

  // by keys alone, without the server
  await context.setOffline(true);
  await page.getByRole('button', { name: /^winding side/ }).click();
  const winding = exerciseOf('winding-side', await seed(), 0);
  const isBass = winding.instrument.strings[winding.index]?.post.side === 'bass';
  await page.keyboard.press(isBass ? '1' : '2');
  await expect(page.locator('peg-exercise-frame').getByRole('status')).toContainText('right');
  await expect(page.getByText('1 kept on this device, to be sent')).toBeVisible();
  await page.keyboard.press('Space'); // on to what has most to gain
  await expect(page.locator('peg-exercise-frame').getByRole('status')).toBeHidden();
  await context.setOffline(false);
  await expect
    .poll(() => workshop.query(`SELECT skill, good FROM practice_try ORDER BY at`))
    .toEqual([
      { skill: 'slack', good: true },
      { skill: 'winding-side', good: true },
    ]);

  // and it is there again on another device
  await page.reload();
  await expect(page.getByText('none wrong in 1')).toBeVisible();
});

test('octaves and cents are practised by ear, and without sound by touch and by beats', async ({ page, workshop }) => {
  await arrive(page, workshop, '/practice');
  await page.getByRole('button', { name: /^octave/ }).click();
  await page.getByRole('button', { name: 'pluck the string' }).click(); // the audio path of the browser takes it
  await page.getByRole('option', { name: 'by touch' }).click();
  await expect(page.getByText('it is not the same as by ear')).toBeVisible();
  const said = await page.getByRole('img', { name: /^A push of 2 N/ }).getAttribute('aria-label');
  const [gives = 0, should = 1] = [...(said ?? '').matchAll(/([\d.]+) mm/g)].map(([, mm]) => Number(mm));
  // four times as far is an octave under; as far is at its note; less is over
  const ratio = gives / should;
  const place = ratio > 3.7 ? '1' : ratio > 1.05 ? '2' : ratio > 0.95 ? '3' : '4';
  await page.keyboard.press(place);
  await expect(page.locator('peg-exercise-frame').getByRole('status')).toContainText('right');

  await page.getByRole('button', { name: /^cents/ }).click();
  await page.getByRole('option', { name: /^by beats/ }).click();
  const seed = Number(await page.locator('peg-fact', { hasText: 'seed' }).locator('b').innerText());
  const { truth } = exerciseOf('cents', seed, 0);
  for (let cents = 0; cents + 0.5 <= Math.abs(truth); cents += 0.5) await page.keyboard.press(truth > 0 ? 'ArrowUp' : 'ArrowDown');
  await page.getByRole('button', { name: 'That is it' }).click();
  await expect.poll(() => workshop.query(`SELECT good FROM practice_try WHERE skill = 'cents'`)).toEqual([{ good: true }]);
});

test('an owner gives a sheet, it is practised by keys, and what came of it is read and carried out', async ({
  page,
  browser,
  workshop,
}) => {
  await arrive(page, workshop, '/practice', 'Wenna Tarrow');
  await page.getByRole('tab', { name: 'Sheets' }).click();
  await page.getByRole('textbox', { name: 'Title' }).fill('Ways round a mandolin');
  for (const [field, option] of [
    ['To whom', 'Corin Vell'],
    ['Skills', 'winding side'],
    ['Kinds', 'Mandolin'],
  ] as const) {
    await page.getByRole('combobox', { name: field }).click();
    await page.getByRole('option', { name: option, exact: true }).click();
    await page.keyboard.press('Escape');
  }
  await page.getByRole('spinbutton', { name: 'Tries of each' }).fill('2');
  await page.getByRole('button', { name: 'Give it' }).click();
  await expect(page.getByRole('row', { name: /Corin Vell winding side 0 of 2/ })).toBeVisible();

  const context = await browser.newContext({ baseURL: workshop.address });
  const bench = await context.newPage();
  await arrive(bench, workshop, '/practice/sheets');
  await bench.getByRole('link', { name: 'Practise Ways round a mandolin' }).click();
  const result = bench.locator('peg-exercise-frame').getByRole('status');
  for (const done of [1, 2]) {
    await expect(bench.getByText(/^Mandolin ·/)).toBeVisible();
    await bench.keyboard.press('1');
    await expect(result).toBeVisible();
    await expect(bench.locator('peg-fact', { hasText: 'Ways round a mandolin' }).locator('b')).toHaveText(`${done} of 2`);
    if (done === 1) await bench.keyboard.press('Space');
    if (done === 1) await expect(result).toBeHidden();
  }
  const tries = () => workshop.query<{ good: boolean }>(`SELECT good FROM practice_try WHERE sheet_id IS NOT NULL`);
  await expect.poll(async () => (await tries()).length).toBe(2);
  await context.close();

  // so many of two wrong, with one in twenty let pass: as asked where none is
  const wrong = (await tries()).filter(({ good }) => !good).length;
  await page.reload();
  await expect(page.getByRole('row', { name: /Corin Vell winding side 2 of 2/ })).toContainText(`${50 * wrong} % wrong`);
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Results of Ways round a mandolin as CSV' }).click();
  const csv = await readFile(await (await download).path(), 'utf8');
  expect(csv.split('\n')[1]).toBe(
    `Ways round a mandolin,Corin Vell,winding-side,2,2,${(wrong / 2).toFixed(2)},,,${(10 * wrong).toFixed(2)},1,${wrong === 0 ? 'yes' : 'no'}`,
  );
});
