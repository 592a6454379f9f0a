import type { Page, Request } from '@playwright/test';
import { seriousFaults } from './access.js';
import { arrive, expect, signIn, stageLink, test } from './workshop.js';

/** A Saturday after the house was closed: the most is late then. */
test.use({ clock: '2026-05-30T13:30:00Z' });

const SCREENS: readonly (readonly [string, (page: Page) => Promise<unknown>])[] = [
  ['Today', (page) => page.getByRole('link', { name: 'Today', exact: true }).click()],
  ['calendars of the day', (page) => page.getByRole('button', { name: 'calendars' }).click()],
  ['who is here', (page) => page.getByRole('button', { name: 'who is here' }).click()],
  ['hours of the house', (page) => page.getByRole('link', { name: 'hours of the house' }).click()],
  ['how honest promises were', (page) => page.goto('/today/kept')],
  ['Register', (page) => page.getByRole('link', { name: 'Register', exact: true }).click()],
  ['a passport', passport],
  ['a passport as tables', (page) => page.getByRole('option', { name: 'as tables' }).click()],
  ['what is due', due],
  ['a calendar that subscribes', subscribe],
  ['a reminder', reminder],
  ['photos', (page) => page.getByRole('option', { name: 'photos' }).click()],
  ['a card on the screen', card],
  ['an instrument that is here twice', twice],
  ['the outbox', (page) => page.goto('/register/outbox')],
  ['owners in and out', (page) => page.goto('/register/files')],
  ['the log', wholeLog],
  ['a new instrument', (page) => page.goto('/register/new')],
  ['a headstock', headstock],
  ...['head', 'strings and nut', 'bridge and woods'].map((part): (typeof SCREENS)[number] => [
    `what it is, ${part}`,
    (page) => page.getByRole('option', { name: part, exact: true }).click(),
  ]),
  ['Choose', async (page) => (await open(page), stageLink(page, 'Choose').click())],
  ...['Ready', 'Strip', 'Look over', 'Anchor', 'Bring up', 'Settle', 'Trim'].map((name): (typeof SCREENS)[number] => [
    name,
    (page) => stageLink(page, name).click(),
  ]),
  ['Strip with a loose bridge', (page) => other(page, /Cutwater mandolin, oval/, 'Strip')],
  ['Strip with a locking nut', (page) => locking(page, 'Strip')],
  ['Ready with sizes', (page) => stageLink(page, 'Ready').click()],
  ['Balance', (page) => other(page, /Brindle six, dune/, 'Balance')],
  ['the ways home', waysHome],
  ['the place Balance', placeBalance],
  ['Wind', (page) => other(page, /Heron parlour, walnut/, 'Wind')],
  ...['Cut strip', 'Ways in force', 'My hand', 'Turns that were counted'].map((item): (typeof SCREENS)[number] => [
    item,
    (page) => behindWind(page, item),
  ]),
  ['bench mode', benchMode],
  ['Hand over', async (page) => (await page.keyboard.press('b'), stageLink(page, 'Hand over').click())],
  ...['Workbench', 'Table', 'Sets', 'Tunings', 'Shelf', 'What is on it?', 'In and out'].map((view): (typeof SCREENS)[number] => [
    `Strings, ${view}`,
    (page) => strings(page, view),
  ]),
  ['the solver’s answer', finder],
  ['a tuning', tuning],
  ['House', house],
  ...[
    'slack',
    'winding side',
    'which string is it',
    'octave',
    'cents',
    'stretch or slip',
    'nylon',
    'nut angle',
    'order of strings',
    'find the fault',
    'balance',
  ].map((skill): (typeof SCREENS)[number] => [`Practice, ${skill}`, (page) => practised(page, skill)]),
  ['Practice, the simulated bench', (page) => onTheBench(page, 'off')],
  ['Practice, a string on its way up', (page) => onTheBench(page, 'up')],
  ['Practice, your errors', errors],
  ['Practice, sheets', (page) => page.getByRole('tab', { name: 'Sheets' }).click()],
];

/** With its answer and all that follows from it. */
async function practised(page: Page, skill: string): Promise<void> {
  await page.getByRole('link', { name: 'Practice', exact: true }).click();
  await page.getByRole('button', { name: new RegExp(`^${skill}`) }).first().click(); // prettier-ignore
  const take = page.getByRole('button', { name: 'That is it' });
  await take.or(page.getByText('Pick an answer')).waitFor();
  await page.locator('peg-fact', { hasText: skill }).waitFor(); // and not the exercise of the screen before
  const result = page.locator('peg-exercise-frame .result');
  await expect(async () => {
    if (await result.isVisible()) return;
    if (skill === 'balance') await page.keyboard.press('t'); // a move, else there is nothing to take
    await page.keyboard.press((await take.isVisible()) ? 'Space' : '1');
    await result.waitFor({ timeout: 2000 });
  }, skill).toPass({ timeout: 30_000 });
}

/** A string off, with what may be chosen; or up, with what went wrong on the way. */
async function onTheBench(page: Page, far: 'off' | 'up'): Promise<void> {
  await page.goto('/practice/bench?kind=acoustic-parlour&seed=4471');
  await page.getByRole('button', { name: /^3/ }).first().click();
  // it stands as the screen before left it
  const [down, takeOff] = [page.getByRole('button', { name: /^Let it down/ }), page.getByRole('button', { name: /^Take it off/ })];
  const isOff = page.getByRole('button', { name: 'ball under the tip of the pin' });
  await down.or(takeOff).or(isOff).first().waitFor();
  if (await down.isVisible()) await down.click();
  await takeOff.or(isOff).first().waitFor();
  if (await takeOff.isVisible()) await takeOff.click();
  if (far === 'off') return isOff.waitFor();
  await isOff.click();
  await page.getByRole('button', { name: /^winds up anticlockwise/ }).click();
  for (const step of ['That is it', 'Wind until it is straight']) await page.getByRole('button', { name: new RegExp(`^${step}`) }).click();
  await page.getByRole('region', { name: 'Wrong so far' }).getByText('Wound the other way').waitFor();
}

async function errors(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Practice', exact: true }).click();
  await page.getByRole('tab', { name: 'Your errors' }).click();
  await page.getByRole('table', { name: 'Answers, the latest first' }).waitFor();
}

/** With all that it can show at once: a way that is tried, a link, a form. */
async function house(page: Page): Promise<void> {
  await page.goto('/house');
  await page.getByRole('button', { name: 'A quarter turn less, thin plain' }).click();
  await page.locator('summary', { hasText: 'order, fixing' }).click();
}

async function other(page: Page, name: RegExp, stage: string): Promise<void> {
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await page.getByRole('link', { name }).click();
  await stageLink(page, stage).click();
}

async function passport(page: Page): Promise<void> {
  await page.getByRole('link', { name: /Heron parlour, spruce/ }).click();
  await page.getByRole('heading', { name: 'Due', exact: true }).waitFor();
}

async function due(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Register', exact: true }).click();
  await page.getByRole('link', { name: 'what is due' }).click();
  await page.getByRole('link', { name: 'Brindle six, tar black' }).waitFor();
}

async function subscribe(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'subscribe …' }).click();
  const make = page.getByRole('button', { name: 'make an address' });
  const copy = page.getByRole('button', { name: 'copy' });
  await make.or(copy).waitFor();
  if (await make.isVisible()) await make.click();
  await copy.waitFor();
}

async function card(page: Page): Promise<void> {
  await page.reload(); // the reminder is put aside
  const path = await page.getByRole('link', { name: 'last card' }).getAttribute('href');
  await page.goto(`/card/${/jobs\/([^/]+)/.exec(path ?? '')?.[1] ?? ''}`);
  await page.getByRole('article', { name: 'Hand-over card' }).waitFor();
}

async function twice(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Register', exact: true }).click();
  await page.getByRole('link', { name: /Brindle six, tar black/ }).click();
  await page.getByRole('button', { name: /^it is here twice/ }).click();
  await page.getByLabel('It is the same as').waitFor();
}

async function reminder(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Brindle six, tar black' }).click();
  await page.getByRole('button', { name: /^remind/ }).click();
  await page.getByLabel('Text', { exact: true }).waitFor();
}

async function wholeLog(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Register', exact: true }).click();
  await page.getByRole('link', { name: 'the log', exact: true }).click();
  await page.getByRole('button', { name: 'earlier ones …' }).waitFor();
}

async function waysHome(page: Page): Promise<void> {
  await page.getByRole('button', { name: /compare the ways home/ }).click();
  await page.getByRole('rowheader', { name: 'block it level' }).waitFor();
}

async function placeBalance(page: Page): Promise<void> {
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').waitFor({ state: 'hidden' });
  await page.getByRole('link', { name: 'Balance', exact: true }).first().click();
  await page.getByRole('slider', { name: /^Claw/ }).waitFor();
}

/** The double-locking one hangs in the register; it is taken in once. */
async function locking(page: Page, stage: string): Promise<void> {
  await page.getByRole('link', { name: 'Register', exact: true }).click();
  await page.getByRole('link', { name: /Gannet locking six/ }).click();
  const take = page.getByRole('button', { name: 'Take it in …' });
  const open = page.getByRole('link', { name: 'Open its worksheet' });
  await take.or(open).waitFor();
  if (await take.isVisible()) {
    await take.click();
    await page.getByRole('button', { name: 'Take it in', exact: true }).click();
  } else await open.click();
  await stageLink(page, stage).click();
}

async function strings(page: Page, view: string): Promise<void> {
  await page.getByRole('link', { name: 'Strings', exact: true }).click();
  await page.getByRole('tab', { name: view, exact: true }).click();
}

async function headstock(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Register', exact: true }).click();
  await page.getByRole('link', { name: /Longshore four/ }).click();
  await page.getByRole('link', { name: /what it is, and its measures/ }).click();
  await page.getByRole('heading', { name: 'What measuring would sharpen' }).waitFor();
}

async function behindWind(page: Page, item: string): Promise<void> {
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').waitFor({ state: 'hidden' });
  await page.getByRole('button', { name: 'more …' }).click();
  await page.getByRole('menuitem', { name: new RegExp(`^${item}`) }).click();
  await page.getByRole('dialog').waitFor();
}

async function benchMode(page: Page): Promise<void> {
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').waitFor({ state: 'hidden' });
  await page.keyboard.press('b');
  await page.getByRole('region', { name: 'Bench mode' }).waitFor();
}

async function finder(page: Page): Promise<void> {
  await strings(page, 'Workbench');
  await page.getByRole('button', { name: 'Find gauges' }).click();
  await page.getByRole('button', { name: 'Take' }).first().waitFor();
}

async function tuning(page: Page): Promise<void> {
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^tuned/ }).click();
  await page.getByRole('heading', { name: /^Tuning of/ }).waitFor();
}

async function open(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await page.getByRole('link', { name: /Heron parlour, walnut/ }).click();
  await stageLink(page, 'Wind').waitFor();
}

/** Each screen is looked at in both lights, each in a window of its own size: in the second only colours and widths can be other ones. */
const LOOKS = [
  { light: 'paper', scheme: 'light', size: { width: 1280, height: 800 }, rules: [] },
  { light: 'evening', scheme: 'dark', size: { width: 900, height: 1200 }, rules: ['color-contrast'] },
] as const;

test('every screen is open to all, whole, and free of errors, in both lights', async ({ browser, workshop }) => {
  test.setTimeout(1_200_000); // some seventy screens, each looked through by axe
  const context = await browser.newContext({ baseURL: workshop.address, reducedMotion: 'reduce' }); // what moves ends the same
  const page = await context.newPage();
  page.setDefaultTimeout(60_000); // a screen that does not come is told before the walk is over
  const faults = faultsOf(page, workshop.address);
  const rest = restOf(page);
  const look = async (name: string, { light, scheme, size, rules }: (typeof LOOKS)[number]) => {
    await page.setViewportSize(size);
    await page.evaluate((theme) => (document.documentElement.dataset['theme'] = theme), light);
    await rest();
    const where = `${name}, ${light}, ${size.width} px wide`;
    expect.soft(await page.evaluate(() => getComputedStyle(document.documentElement).colorScheme), where).toBe(scheme);
    expect.soft(await seriousFaults(page, rules), where).toEqual([]);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect.soft(wide, `${where}: wider than its window`).toBeLessThanOrEqual(0);
  };
  await page.goto('/');
  await page.getByLabel('Name').waitFor();
  for (const each of LOOKS) await look('the sign-in page', each);
  await signIn(page, workshop, 'Wenna Tarrow');
  for (const [nth, [name, go]] of SCREENS.entries()) {
    await go(page);
    await rest(); // a page that is loaded anew puts its own light on once it knows who looks
    for (const each of nth % 2 === 0 ? LOOKS.toReversed() : LOOKS) await look(name, each); // goes on as one looked last
  }
  expect(faults).toEqual([]);
  await context.close();
});

/** Waits until what a page asked of its server has come and is drawn, and nothing moves any more. */
function restOf(page: Page): () => Promise<void> {
  const open = new Set<Request>();
  // of the script of a worker that is ended before it has begun nobody hears again, and the feed goes on for good
  const isHeardOf = (request: Request) => request.resourceType() !== 'eventsource' && !/\/worker-/.test(request.url());
  page.on('request', (request) => isHeardOf(request) && open.add(request));
  page.on('requestfinished', (request) => open.delete(request));
  page.on('requestfailed', (request) => open.delete(request));
  const drawn = () =>
    page.evaluate(async () => {
      for (let frame = 0; frame < 2; frame++) await new Promise(requestAnimationFrame);
      const ends = document.getAnimations().filter(({ effect }) => effect?.getComputedTiming().endTime !== Infinity);
      await Promise.allSettled(ends.map(({ finished }) => finished));
    });
  return async () => {
    // what comes asks for more: a place for what it shows
    for (let still = 0; still < 3; still = open.size === 0 ? still + 1 : 0) await drawn();
  };
}

/** What the page complains of, and whom it asks but its own server; gathered from now on. */
function faultsOf(page: Page, address: string): string[] {
  const faults: string[] = [];
  page.on('console', (message) => message.type() === 'error' && faults.push(message.text()));
  page.on('pageerror', (error) => faults.push(error.message));
  page.on('request', (request) => !/^data:/.test(request.url()) && !request.url().startsWith(address) && faults.push(request.url()));
  return faults;
}

test('forms say which field is wrong, and why', async ({ page, workshop }) => {
  await arrive(page, workshop, '/register/new');
  await page.getByRole('button', { name: 'Add to the register' }).click();
  await expect(page.getByText(/^Name must not be empty/)).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Pocket thing');
  await page.getByLabel('Scale length, mm').fill('6');
  await page.getByRole('button', { name: 'Add to the register' }).click();
  const range = 'Scale length must lie between 150 and 1300 mm: from the smallest ukulele to the longest bass';
  await expect(page.getByText(range)).toBeVisible();
  await page.getByLabel('Scale length, mm').fill('381');
  await page.getByRole('combobox', { name: 'Owner' }).fill('Nell Quay-Harrow');
  await page.keyboard.press('Tab'); // what is suggested meanwhile lies over nothing that is pressed next
  await page.getByRole('button', { name: 'Add to the register' }).click();
  await expect(page.getByRole('heading', { name: 'Pocket thing' })).toBeVisible();
  await expect(page.getByText('Nell Quay-Harrow')).toBeVisible();
  await expect(page.getByText(/^Nothing is known of its strings/)).toBeVisible();
  await page.getByRole('option', { name: 'as tables' }).click();
  await expect(page.getByText('No setup is known yet')).toBeVisible();
});

test('empty, unknown and unreachable are said in words', async ({ page, workshop }) => {
  await arrive(page, workshop, '/register');
  await page.getByLabel('Find').fill('no such thing');
  await expect(page.getByText('Nothing in the register matches “no such thing”.')).toBeVisible();
  await page.goto(`${workshop.address}/worksheet/01900000-0000-7000-8000-000000000000`);
  await expect(page.getByRole('alert')).toContainText('There is no job with that id');
  await page.goto(`${workshop.address}/attic`);
  await expect(page.getByRole('heading', { name: 'Nothing hangs here' })).toBeVisible();
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Now', exact: true })).toBeVisible(); // gone sooner, the server would not have given the page
  await workshop.stop();
  await page.getByRole('link', { name: 'Register', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('The server does not answer');
  await workshop.start();
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('link', { name: /Heron parlour, walnut/ })).toBeVisible();
});

test('owners and passports are changed with care for what somebody else wrote', async ({ page, workshop }) => {
  await arrive(page, workshop, '/register');
  await page.getByRole('button', { name: 'Change Jessamy Roke' }).click();
  await page.getByLabel('How to reach them').fill('ropewalk, upper floor');
  await workshop.query("UPDATE owner SET contact = 'chandlery', version = version + 1 WHERE name = 'Jessamy Roke'");
  await page.getByRole('button', { name: 'keep', exact: true }).click();
  await expect(page.getByRole('row', { name: 'How to reach them chandlery ropewalk, upper floor' })).toBeVisible();
  await expect(page.getByLabel('How to reach them')).toHaveValue('ropewalk, upper floor');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /Jessamy Roke .*ropewalk, upper floor/ })).toBeVisible();

  await page.getByRole('button', { name: /^Jessamy Roke/ }).click();
  await expect(page.getByRole('link', { name: /Heron parlour/ })).toHaveCount(0);
  await page.getByRole('link', { name: /Brindle six, tar black/ }).click();
  await page.getByRole('button', { name: /^name, owner, remark/ }).click();
  await page.getByLabel('Remark').fill('Nut slot 3 a little wide.');
  await page.getByRole('button', { name: 'keep' }).click();
  await expect(page.getByText('Nut slot 3 a little wide.')).toBeVisible();
});
