import { tabTo } from './by-keys.js';
import { arrive, arriveAtStage, bySpace, expect, says, stageLink, test, type Workshop } from './workshop.js';

/** Events of the open or latest job of an instrument, in order. */
const eventsOf = (workshop: Workshop, passport: number) =>
  workshop.query<{ kind: string; string: number | null }>(
    `SELECT kind, (event->>'string')::int AS string FROM bench_event e JOIN job ON job.id = e.job_id JOIN instrument i ON i.id = job.instrument_id
     WHERE i.passport = $1 AND job.id = (SELECT j.id FROM job j WHERE j.instrument_id = i.id ORDER BY j.taken_in_at DESC LIMIT 1) ORDER BY e.event->>'id'`,
    [passport],
  );

test('one broken string of a flat-top: from taking it in to its passport, by keyboard alone, and the others stay as they were', async ({
  page,
  workshop,
}) => {
  test.setTimeout(120_000);
  const press = (key: string) => page.keyboard.press(key);
  const asTables = async () => {
    await tabTo(page, /^time line/);
    await press('ArrowRight');
    await press('Enter');
  };
  await arrive(page, workshop, '/today');
  await tabTo(page, /^Register/);
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'Register' })).toBeVisible();
  await tabTo(page, /^Heron parlour, spruce/);
  await press('Enter');
  await asTables();
  await expect(page.getByRole('heading', { name: 'Strings on it now' })).toBeVisible();
  const row = (number: number) => page.getByRole('row', { name: new RegExp(`^${number} `) });
  const before = await Promise.all([2, 3, 4, 5, 6].map((number) => row(number).innerText()));
  await tabTo(page, /^Take it in …/);
  await press('Enter');
  await tabTo(page, /^Why now\?/);
  await page.keyboard.type('first string broke at a session');
  await tabTo(page, /^Take it in/);
  await press('Enter');

  // only string 1, out of what was on it
  await expect(page.getByRole('heading', { name: 'Which set?' })).toBeVisible();
  await press('1');
  await press('o');
  await says(page, /^Take string 1/);
  await press('Space');
  const one = ['laid out', 'off', 'looked over', 'seated', 'wound', 'up, stretched once', 'at pitch', 'settled', 'trimmed'];
  await bySpace(page, ...one.map((does) => `String 1 ${does}`));
  await says(page, 'On along the rule');
  await press('Space');
  await expect(page.getByText('every string has passed every stage')).toBeVisible();
  await expect(page.getByText(/string 1 alone, of/)).toBeVisible();
  // a string that stays shows its turns and its slack of before
  const [, , , , turns = 'no turns', slackLeft = 'no slack'] = before[0]!.split('\t');
  await expect(row(2).getByRole('cell', { name: turns, exact: true })).toBeVisible();
  await expect(row(2).getByRole('cell', { name: slackLeft, exact: true })).toBeVisible();
  await expect(page.getByText(/never read after stretching|No string was read/)).toBeVisible();
  await tabTo(page, /^Hand over and close/);
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'Handed over' })).toBeVisible();
  await expect(page.getByRole('list', { name: 'The story of this job' })).toContainText('for string 1 alone');
  await expect(page.getByTestId('waiting')).toBeHidden();
  await tabTo(page, /^To the passport/);
  await press('Enter');
  await asTables();
  await expect(page.getByRole('heading', { name: 'All it carried' })).toBeVisible();
  // turns, slack, rounds and age of the other five are as they were; the first is new today
  const after = await Promise.all([2, 3, 4, 5, 6].map((number) => row(number).innerText()));
  expect(after).toEqual(before);
  const today = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }).format(new Date());
  await expect(row(1)).toContainText(today);
  await expect(row(2)).not.toContainText(today);
  await expect(page.getByText(/^string 1: /).first()).toBeVisible();
});

test('a mandolin goes one string at a time, up to pitch before the next comes off: its bridge never stands bare', async ({
  page,
  workshop,
}) => {
  test.setTimeout(120_000);
  await arriveAtStage(page, workshop, 'Cutwater mandolin, oval hole', 'choose');
  await says(page, /^Take /);
  await page.keyboard.press('Space');
  await says(page, 'String 8 laid out');
  await page.keyboard.press('Shift+Space');
  // somebody begins in the middle; then the order in force goes on
  await says(page, 'String 8 off');
  await page.keyboard.press('5');
  for (const string of [5, 8, 7, 6, 4, 3, 2, 1])
    await bySpace(page, ...['off', 'looked over', 'hooked', 'wound', 'up, stretched once'].map((does) => `String ${string} ${does}`));
  await says(page, 'String 8 at pitch');
  await expect(page.getByTestId('waiting')).toBeHidden();

  let slack = 0;
  let most = 0;
  for (const { kind } of await eventsOf(workshop, 112)) {
    slack += kind === 'string-off' ? 1 : kind === 'tensioned' ? -1 : 0;
    most = Math.max(most, slack);
  }
  expect([slack, most]).toEqual([0, 1]);
});

test('a bass is wound with one and a half turns where somebody wants it so, and a lost string begins again at Ready', async ({
  page,
  workshop,
}) => {
  await arriveAtStage(page, workshop, 'Longshore four, oxblood', 'choose');
  await says(page, /^Take /);
  await page.keyboard.press('Space');
  await stageLink(page, 'Wind').click();
  await page.keyboard.press('3');
  await page.getByRole('button', { name: 'more …' }).click();
  await page.getByRole('menuitem', { name: /^Ways in force/ }).click();
  await page.getByLabel('bass, all, you', { exact: true }).fill('1.5');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('dialog').getByLabel('bass, all, you', { exact: true })).toHaveValue('1.5');
  await page.getByRole('button', { name: 'Close' }).click();
  const lane = (number: number) => page.getByRole('button', { name: new RegExp(`^${number} `) }).first();
  await expect(lane(3).locator('[data-what=turns]')).toHaveText('1½');
  await expect(lane(4).locator('[data-what=turns]')).toHaveText('1½');
  // the choice is kept, and what would help is said
  await expect(page.getByText(/your own way: 1\.5 turns: [\d.]+° over the nut, low: plucked 6 mm aside/)).toBeVisible();
  await expect(page.getByText(/Bend it square at \d+ mm, cut it at \d+ mm/)).toBeVisible();

  await page.keyboard.press('x');
  await page.getByRole('button', { name: /kinked/ }).click();
  await says(page, 'String 3 laid out');
  await bySpace(page, 'String 3 laid out', 'String 3 seated', 'String 3 wound');
  // nothing can be ticked for a string that is not there
  await page.keyboard.press('x');
  await page.getByRole('button', { name: /kinked/ }).click();
  await says(page, 'String 3 laid out');
  await stageLink(page, 'Settle').click();
  await page.keyboard.press('3');
  await expect(page.getByText('String 3 was lost: another is laid out first.')).toBeVisible();
  await page.keyboard.press('Space');
  await says(page, 'String 3 laid out');
  expect((await eventsOf(workshop, 109)).some(({ kind, string }) => kind === 'settled' && string === 3)).toBe(false);
});
