import { arrive, arriveAtStage, bySpace, expect, signIn, stageLink, test } from './workshop.js';

test('a technician restrings an instrument from rack to passport, while the server goes away and comes back', async ({
  page,
  workshop,
}) => {
  await signIn(page, workshop);

  // open what is waiting
  await page.getByRole('link', { name: /Brindle six, sea green/ }).click();
  await expect(page.getByRole('heading', { name: 'Brindle six, sea green' })).toBeVisible();

  // choose: a set one step heavier than what is on it
  await page.getByRole('combobox').click();
  await page.getByRole('option', { name: '.011–.049 nickel-plated steel' }).click();
  await expect(page.getByText(/may lift it off the body/)).toBeVisible();
  await page.getByRole('button', { name: /^Take \.011–\.049/ }).click();

  // one key a step, in the order of the ways in force: all laid out, then one string at a time from peg to pitch
  const step = (string: number, does: string) => bySpace(page, `String ${string} ${does}`);
  const oneString = async (string: number) => {
    for (const does of ['off', 'looked over', 'seated', 'wound', 'up, stretched once']) await step(string, does);
  };
  await expect(page.getByText(/Strings come off one at a time, low first/)).toBeVisible();
  for (let string = 6; string >= 1; string--) await step(string, 'laid out');
  for (const string of [6, 5]) await oneString(string);
  await expect(page).toHaveURL(/\/strip$/);

  // then the server is gone
  await expect(page.getByTestId('waiting')).toBeHidden();
  await workshop.stop('SIGKILL');
  for (const string of [4, 3, 2]) await oneString(string);
  await expect(page.getByTestId('waiting')).toContainText('15 steps wait on this device');
  await workshop.start();
  await expect(page.getByTestId('waiting')).toBeHidden({ timeout: 15_000 });

  // a cut of one's own for the last string, by keyboard
  for (const does of ['off', 'looked over', 'seated']) await step(1, does);
  await expect(page).toHaveURL(/\/wind$/);
  const mark = page.getByRole('slider', { name: /Cut mark/ });
  await mark.focus();
  await page.keyboard.press('PageUp');
  await expect(page.getByText('your own mark')).toBeVisible();
  await page.keyboard.press('Space'); // from the mark that was pushed: the keys are those of the lanes all the same
  await step(1, 'up, stretched once');

  for (let string = 6; string >= 1; string--) await step(string, 'at pitch');
  // its bridge rests on springs alone: somebody who knows it leaves it as it is
  await expect(page.getByText('Pluck string 6, 5, 4, 3, 2 and 1, each as it stands.')).toBeVisible();
  await page.keyboard.press('Shift+Space');
  for (const does of ['settled', 'trimmed']) for (let string = 6; string >= 1; string--) await step(string, does);
  await expect(page.getByText('All strings are trimmed.')).toBeVisible();

  await stageLink(page, 'Hand over').click();
  await expect(page.getByText('every string has passed every stage')).toBeVisible();
  await page.getByLabel(/Remark for the passport/).fill('claw half a turn in');
  await page.getByRole('button', { name: 'Hand over and close' }).click();
  await expect(page.getByRole('heading', { name: 'Handed over' })).toBeVisible();
  const story = page.getByRole('list', { name: 'The story of this job' });
  await expect(story).toContainText('Corin Vell chose .011–.049 nickel-plated steel');
  await expect(story).toContainText('laid out strings 6, 5, 4, 3, 2 and 1');
  await expect(story).toContainText(/took off, looked over, anchored, wound and brought under pull string 6 \(\d\.\d turns\)/);
  await expect(story).toContainText('handed it over: claw half a turn in');
  await expect(page.getByTestId('waiting')).toBeHidden();

  // every step is once in the database
  const steps = await workshop.query<{ kind: string; string: string | null; count: string }>(
    `SELECT kind, event->>'string' AS string, count(*) FROM bench_event JOIN job ON job.id = job_id JOIN instrument i ON i.id = job.instrument_id
     WHERE i.passport = 104 AND job.reason LIKE 'Broke string 1%' GROUP BY 1, 2 ORDER BY 1, 2`,
  );
  const kinds = ['laid-out', 'string-off', 'looked-over', 'anchored', 'wound', 'tensioned', 'brought-up', 'balanced', 'settled', 'trimmed'];
  expect(steps.map(({ count }) => Number(count))).toEqual(Array(10 * 6 + 2).fill(1));
  for (const kind of kinds)
    expect(steps.filter((step) => step.kind === kind).map(({ string }) => string)).toEqual(['1', '2', '3', '4', '5', '6']);

  // and it is found in the instrument's history
  await page.getByRole('link', { name: 'To the passport' }).click();
  await page.getByRole('option', { name: 'as tables' }).click();
  await expect(page.getByRole('heading', { name: 'All it carried' })).toBeVisible();
  await expect(page.getByText('.011–.049 nickel-plated steel').first()).toBeVisible();
  await expect(page.getByText('claw half a turn in')).toBeVisible();
  await expect(page.getByRole('row', { name: /^1 E4 \.011/ })).toBeVisible();
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'The rack' })).toBeVisible();
  await expect(page.getByRole('link', { name: /Brindle six, sea green/ })).toHaveCount(0);
});

test('a second browser follows, step by step and back', async ({ page, browser, workshop }) => {
  await arriveAtStage(page, workshop, 'Longshore four, oxblood', 'strip');
  await expect(page.getByRole('button', { name: 'String 4 off' })).toBeVisible();

  const other = await browser.newPage();
  await arrive(other, workshop, new URL(page.url()).pathname, 'Wenna Tarrow');
  await expect(other.getByRole('button', { name: 'String 4 off' })).toBeVisible();

  await page.keyboard.press('Space');
  await expect(other.getByRole('button', { name: /^4 D?E.*off \d\d:\d\d/ })).toBeVisible();
  await expect(page).toHaveURL(/\/look-over$/);
  await page.keyboard.press('Backspace');
  await expect(page).toHaveURL(/\/strip$/);
  await expect(page.getByRole('button', { name: 'String 4 off' })).toBeVisible();
  await expect(other.getByRole('button', { name: /^4 .*off \d\d:\d\d/ })).toBeHidden();
  await other.close();
});

test.describe('with the program kept on the device', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a worksheet opens again with the server gone, and its steps arrive when it is back', async ({ page, workshop }) => {
    await signIn(page, workshop);
    await page.getByRole('link', { name: /Drumlin five-string/ }).click();
    await stageLink(page, 'Strip').click();
    await expect(page.getByRole('button', { name: 'String 5 off' })).toBeVisible();
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload(); // from here on the service worker serves the shell
    await expect(page.getByRole('button', { name: 'String 5 off' })).toBeVisible();

    await workshop.stop('SIGKILL');
    await page.keyboard.press('Space');
    await expect(page.getByTestId('waiting')).toContainText('1 step waits');
    await page.reload();
    await expect(page.getByRole('button', { name: 'String 5 looked over' })).toBeVisible();
    await expect(page.getByTestId('waiting')).toContainText('1 step waits');
    await page.goto(`${workshop.address}/today`);
    await expect(page.getByRole('heading', { name: 'Kept on this device' })).toBeVisible();
    await page.getByRole('link', { name: /Drumlin five-string/ }).click();
    await expect(page.getByRole('heading', { name: 'Drumlin five-string banjo' })).toBeVisible();
    await workshop.start();
    await expect(page.getByTestId('waiting')).toBeHidden({ timeout: 15_000 });
    const stored = await workshop.query<{ count: string }>(
      "SELECT count(*) FROM bench_event JOIN job ON job.id = job_id JOIN instrument i ON i.id = job.instrument_id WHERE i.passport = 120 AND kind = 'string-off' AND job.state <> 'handed-over'",
    );
    expect(Number(stored[0]?.count)).toBe(1);
  });
});
