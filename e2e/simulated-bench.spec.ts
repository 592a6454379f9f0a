import { liftInTheMiddle } from '@gold-peg/craft/post';
import { layOut, type Restring } from '@gold-peg/craft/restring';
import type { Page } from '@playwright/test';
import { arrive, expect, test, type Workshop } from './workshop.js';

const NEAR_CENTS = 4;
/** The right end at the anchors of these instruments, as it is said on the screen. */
const RIGHT_END =
  /last crossing behind the edge|clamped snug|three wraps, tail under the neighbour|ball against the plate|ball home in its seat/;

const SEED = 4471;

/** Lays an instrument out on the simulated bench, and returns what the product knows of it. */
async function lay(page: Page, workshop: Workshop, name: string, kind: string): Promise<Restring> {
  await arrive(page, workshop, `/practice/bench?kind=${kind}&seed=${SEED}`);
  await expect(page.locator('peg-fact', { hasText: 'on the simulated bench' })).toContainText(name);
  const restring = layOut(kind, SEED);
  if (restring === null) throw new Error(`${kind} cannot be laid out`);
  return restring;
}

const row = (page: Page, string: number) => page.getByRole('list', { name: 'Strings' }).getByRole('button').nth(string);

/** How far a string is from its note as the rack says it; a long way under where it says nothing. */
async function off(page: Page, string: number): Promise<number> {
  await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn)))); // what a key did is on the screen
  const says = await row(page, string).locator('.cents').innerText();
  return says === '' ? -2400 : Number(says.replace('−', '-').replace(/[^-\d]/g, ''));
}

/** Up from below until it is at its note: `turn` turns the button by as much as it says. */
async function tuned(page: Page, string: number, perTurn: number, turn: (turns: number) => Promise<void>): Promise<void> {
  for (let step = 0; step < 400; step++) {
    const now = await off(page, string);
    if (Math.abs(now) <= NEAR_CENTS) return;
    // down a little farther each time: a slot that grips lets go elsewhere then
    const wanted = now > 0 ? -(now + 10 + (step % 7)) / perTurn : (-0.6 * now) / perTurn;
    await turn(Math.abs(wanted) >= 1 ? Math.sign(wanted) : Math.abs(wanted) >= 1 / 8 ? Math.sign(wanted) / 8 : Math.sign(wanted) / 100);
  }
  throw new Error(`string ${string + 1} does not come to its note`);
}

const SIGNS: Readonly<Record<string, string>> = {
  '-1': 'a turn down',
  '-0.125': 'an eighth down',
  '-0.01': 'a hundredth down',
  '0.01': 'a hundredth up',
  '0.125': 'an eighth up',
  '1': 'a turn up',
};

/** The keys of a turn: a whole one, an eighth or a hundredth. */
const turnByKeys = (page: Page) => (turns: number) =>
  page.keyboard.press(`${Math.abs(turns) === 1 ? 'Shift+' : Math.abs(turns) < 0.1 ? 'Alt+' : ''}Arrow${turns > 0 ? 'Right' : 'Left'}`);

test('a ukulele is restrung on the simulated bench by the mouse, from old strings to tails cut, its later strings tuned by keys', async ({
  page,
  workshop,
}) => {
  const restring = await lay(page, workshop, 'Ukulele, concert', 'ukulele-concert');
  const press = (name: string | RegExp) => page.getByRole('button', { name }).click();
  await press(/^eye cover/);
  await press(/^guiding hand/);
  for (const [string, { plan, scale }] of restring.strings.entries()) {
    await row(page, string).click();
    await press(/^Let it down/);
    await press(/^Take it off/);
    await press(RIGHT_END);
    // the handle is drawn up as far as the slack that is planned asks for
    const handle = page.getByRole('slider', { name: 'Lift at fret 12' });
    const wanted = 1000 * liftInTheMiddle(plan.slack, scale);
    const box = await handle.boundingBox();
    if (box === null) throw new Error('no handle');
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x, y - 20, { steps: 4 });
    const perPx = (Number(await handle.getAttribute('aria-valuenow')) - 30) / 20;
    await page.mouse.move(x, y - (wanted - 30) / perPx, { steps: 6 });
    await page.mouse.up();
    await press(new RegExp(`winds up ${plan.direction}`));
    await press(/^That is it/);
    await press(/^Wind until it is straight/);
    // one string by the mouse all the way; a click takes ten times as long as its key
    const click = (turns: number) => page.getByRole('button', { name: SIGNS[String(turns)] ?? '', exact: true }).click();
    const turn = string === 0 ? click : turnByKeys(page);
    await tuned(page, string, plan.centsPerButtonTurn, turn);
    await page.keyboard.press('b'); // pressed home before it is stretched
    await tuned(page, string, plan.centsPerButtonTurn, turn);
    for (let round = 0; round < 12; round++) {
      const before = await off(page, string);
      await press(/^Stretch it once/i);
      await expect(row(page, string)).toContainText(`${round + 1} stretched`);
      const cost = before - (await off(page, string));
      await tuned(page, string, plan.centsPerButtonTurn, turn);
      if (cost <= 3) break;
    }
    await press(/^it holds/);
    await press(/^Cut its tail/);
    await expect(row(page, string)).toContainText('done');
  }
  await expect(page.getByText('All are on, said to hold and cut')).toBeVisible();
  const worth = page.locator('peg-bench-worth');
  await expect(worth).toContainText('strings lostnone');
  await expect(page.getByRole('region', { name: 'Wrong so far' })).toContainText('Nothing yet.');
  // opened anew it stands as it was left
  await page.reload();
  await expect(page.getByText('All are on, said to hold and cut')).toBeVisible();
  expect(await workshop.query('SELECT 1 FROM practice_try')).toEqual([]);
});

test('a double-locking guitar is restrung by keys alone: nut, block, six strings, and fine tuners at the end', async ({
  page,
  workshop,
}) => {
  test.setTimeout(300_000);
  const restring = await lay(page, workshop, 'Electric, double-locking', 'electric-double-locking');
  const key = (...keys: string[]) =>
    keys.reduce<Promise<void>>((before, each) => before.then(() => page.keyboard.press(each)), Promise.resolve());
  const turn = turnByKeys(page);
  await page.locator('body').click({ position: { x: 600, y: 790 } });
  await key('e', 'h', 'n', 'k');
  for (const string of restring.strings.keys()) {
    await key(String(string + 1), 'Space', 'Space');
    const end = page.getByRole('region', { name: 'Now' }).getByRole('button', { name: RIGHT_END });
    await key((await end.locator('kbd').innerText()).toLowerCase());
    await expect(row(page, string)).toContainText('anchored');
  }
  for (const [string, { plan, scale }] of restring.strings.entries()) {
    await key(String(string + 1));
    const lifts = Math.round((1000 * liftInTheMiddle(plan.slack, scale) - 30) / 2);
    for (let step = 0; step < Math.abs(lifts); step++) await key(lifts > 0 ? 'ArrowUp' : 'ArrowDown');
    await key(plan.direction === 'anticlockwise' ? 'a' : 's', 'Space', 'Space');
    await tuned(page, string, plan.centsPerButtonTurn, turn);
    await key('b');
    await tuned(page, string, plan.centsPerButtonTurn, turn);
    for (let round = 0; round < 12; round++) {
      const before = await off(page, string);
      await key('Space'); // stretches it
      await expect(row(page, string)).toContainText(`${round + 1} stretched`);
      const cost = before - (await off(page, string));
      await tuned(page, string, plan.centsPerButtonTurn, turn);
      if (cost <= 3) break;
    }
    await key('j', 'Space');
    await expect(row(page, string)).toContainText('done');
  }
  await key('k'); // out with the block: the bridge finds its rest
  for (let pass = 0; pass < 3; pass++)
    for (const [string, { plan }] of restring.strings.entries()) {
      await key(String(string + 1));
      await tuned(page, string, plan.centsPerButtonTurn, turn);
    }
  await key('n');
  for (let pass = 0; pass < 3; pass++)
    for (const string of restring.strings.keys()) {
      await key(String(string + 1));
      await tuned(page, string, 60, turn);
    }
  await expect(page.getByText('All are on, said to hold and cut')).toBeVisible();
  await expect(page.locator('peg-bench-worth')).toContainText('strings lostnone');
  await expect(page.getByRole('region', { name: 'Wrong so far' })).toContainText('Nothing yet.');
});

test('a string that is brought up to the wrong octave breaks, and it is said why', async ({ page, workshop }) => {
  await arrive(page, workshop, '/practice');
  await page.getByRole('tab', { name: 'Simulated bench' }).click();
  await page.getByRole('combobox', { name: 'Instrument on the bench' }).click();
  await page.getByRole('option', { name: 'Flat-top acoustic, large', exact: true }).click();
  const strings = layOut('acoustic-large', 1)?.strings ?? []; // its plans are the same with any seed
  const key = async (...keys: string[]) => {
    for (const each of keys) await page.keyboard.press(each);
  };
  await page.locator('body').click({ position: { x: 600, y: 790 } });
  await key('e', 'h', '1', 'Space', 'Space');
  await page.getByRole('button', { name: RIGHT_END }).click();
  const [first] = strings;
  const lifts = Math.round((1000 * liftInTheMiddle(first?.plan.slack ?? (0 as never), first?.scale ?? (1 as never)) - 30) / 2);
  for (let step = 0; step < lifts; step++) await key('ArrowUp');
  await key(first?.plan.direction === 'anticlockwise' ? 'a' : 's', 'Space', 'Space');
  const wrong = page.getByRole('region', { name: 'Wrong so far' });
  for (
    let turn = 0;
    turn < 40 && (await wrong.getByRole('listitem').count()) === 1 && (await wrong.getByText('Nothing yet.').isVisible());
    turn++
  )
    await key('Shift+ArrowRight');
  await expect(wrong).toContainText('Broke: on its way to the octave above');
  await expect(wrong).toContainText(/It broke \d+\.\d semitones over its note/);
  await wrong.getByRole('link', { name: 'practise it' }).click();
  await expect(page.getByRole('heading', { name: /is to come to .* Where is it now\?/ })).toBeVisible();
});
