import { arrive, arriveAtStage, bySpace, expect, says, signIn, stageLink, test } from './workshop.js';

test('two people change the same passport: both versions are shown, nothing typed is lost, Enter keeps it on top', async ({
  browser,
  workshop,
}) => {
  const [one, other] = [await browser.newPage(), await browser.newPage()];
  for (const [page, name] of [
    [one, 'Corin Vell'],
    [other, 'Wenna Tarrow'],
  ] as const) {
    await arrive(page, workshop, '/register', name);
    await page.getByRole('link', { name: /Brindle six, tar black/ }).click();
    await expect(page.getByRole('heading', { name: 'Due', exact: true })).toBeVisible();
    await page.getByRole('button', { name: /^name, owner, remark/ }).first().click(); // prettier-ignore
  }
  await one.getByLabel('Remark').fill('fret 5 is high');
  await other.getByLabel('Remark').fill('claw a turn in');
  await other.getByRole('button', { name: 'keep', exact: true }).click();
  await expect(other.getByLabel('Remark')).toBeHidden();
  await one.getByRole('button', { name: 'keep', exact: true }).click();
  await expect(one.getByRole('row', { name: 'Remark claw a turn in fret 5 is high' })).toBeVisible();
  await expect(one.getByLabel('Remark')).toHaveValue('fret 5 is high');
  await expect(one.getByRole('button', { name: /keep mine on top/ })).toBeFocused();
  await one.keyboard.press('Enter');
  await expect(one.getByLabel('Remark')).toBeHidden();
  const [row] = await workshop.query<{ remark: string; version: number }>('SELECT remark, version FROM instrument WHERE passport = 140');
  expect(row).toEqual({ remark: 'fret 5 is high', version: 3 });
  await one.close();
  await other.close();
});

test('a server that is stopped and never answers: the page says so in time, and all arrives once when it goes on', async ({
  page,
  workshop,
}) => {
  test.setTimeout(120_000);
  await arriveAtStage(page, workshop, 'Longshore four, oxblood', 'choose');
  await page.getByRole('button', { name: /^Take / }).click();
  await says(page, 'String 4 laid out');
  await expect(page.getByTestId('waiting')).toBeHidden();
  workshop.hold();
  await bySpace(page, ...[4, 3, 2].map((string) => `String ${string} laid out`));
  await says(page, 'String 1 laid out'); // work goes on
  await expect(page.getByTestId('waiting')).toContainText(/3 steps wait on this device since \d\d:\d\d · the server does not answer/, {
    timeout: 20_000,
  });
  workshop.letGoOn();
  await expect(page.getByTestId('waiting')).toBeHidden({ timeout: 20_000 });
  const rows = await workshop.query<{ string: number; count: number }>(
    `SELECT (event->>'string')::int AS string, count(*)::int FROM bench_event WHERE kind = 'laid-out'
     AND job_id = (SELECT job.id FROM job JOIN instrument i ON i.id = job.instrument_id WHERE i.passport = 109 AND state <> 'handed-over')
     GROUP BY 1 ORDER BY 1`,
  );
  expect(rows).toEqual([2, 3, 4].map((string) => ({ string, count: 1 })));
});

test('a key that is held acts once', async ({ page, workshop }) => {
  await arriveAtStage(page, workshop, 'Tidewrack headless, slate', 'choose');
  await expect(page.getByRole('button', { name: /^Take / })).toBeVisible();
  for (let repeats = 0; repeats < 40; repeats++) await page.keyboard.down('Space'); // each but the first is a repeat
  await page.keyboard.up('Space');
  await says(page, 'String 6 laid out');
  await expect(stageLink(page, 'Ready, 0 of 6')).toBeVisible();
  for (let repeats = 0; repeats < 40; repeats++) await page.keyboard.down('Space');
  await page.keyboard.up('Space');
  await expect(stageLink(page, 'Ready, 1 of 6')).toBeVisible();
});

test('two pages of one browser with two people: each step goes out under its own person, or waits for them', async ({
  browser,
  workshop,
}) => {
  const context = await browser.newContext();
  const [one, other] = [await context.newPage(), await context.newPage()];
  await signIn(one, workshop);
  await one.getByRole('link', { name: /Heron twelve/ }).first().click(); // prettier-ignore
  await one.getByRole('button', { name: /^Take / }).click();
  await says(one, 'String 12 laid out');
  await expect(one.getByTestId('waiting')).toBeHidden();
  await workshop.stop('SIGKILL');
  await one.keyboard.press('Space');
  await expect(one.getByTestId('waiting')).toContainText('1 step waits');
  await context.clearCookies(); // the session is gone, and with it who was signed in
  await workshop.start();
  await signIn(other, workshop, 'Wenna Tarrow');
  await expect(one.getByText('1 step waits until Corin Vell signs in on this device')).toBeVisible({ timeout: 20_000 });
  const mine = `SELECT count(*)::int AS n FROM bench_event e JOIN person p ON p.id = e.person_id WHERE kind = 'laid-out' AND p.name = $1
    AND job_id = (SELECT job.id FROM job JOIN instrument i ON i.id = job.instrument_id WHERE i.name LIKE 'Heron twelve%' AND state <> 'handed-over')`;
  expect(await workshop.query(mine, ['Wenna Tarrow'])).toEqual([{ n: 0 }]);
  await other.getByRole('button', { name: 'You: Wenna Tarrow' }).click();
  await other.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(other.getByLabel('Passphrase')).toBeVisible(); // going elsewhere sooner would take the request back
  await signIn(other, workshop);
  await expect(other.getByText(/until Corin Vell/)).toBeHidden();
  await expect.poll(() => workshop.query(mine, ['Corin Vell']), { timeout: 20_000 }).toEqual([{ n: 1 }]);
  await context.close();
});
