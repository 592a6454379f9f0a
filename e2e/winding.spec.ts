import type { Locator, Page } from '@playwright/test';
import { evidenceOf, type WorksheetFile } from '@gold-peg/contract/jobs';
import { toInstrument } from '@gold-peg/contract/register';
import { calibrate } from '@gold-peg/craft/calibration';
import type { Instrument } from '@gold-peg/craft/instrument';
import { windString, type WindPlan } from '@gold-peg/craft/procedure';
import { setsFor, stringProperties } from '@gold-peg/craft/strings';
import { metres } from '@gold-peg/craft/units';
import { specOf } from '@gold-peg/craft/worksheet';
import { arriveAtStage, expect, test, type Workshop } from './workshop.js';

const MM = 1000;

async function wind(page: Page, workshop: Workshop, name: string): Promise<void> {
  await arriveAtStage(page, workshop, name, 'wind');
  await expect(page.getByRole('heading', { name: 'Cut here' })).toBeVisible();
}

const lane = (page: Page, number: number) => page.getByRole('button', { name: new RegExp(`^${number} [A-G]`) });
const more = async (page: Page, item: RegExp) => {
  await page.getByRole('button', { name: 'more …' }).click();
  await page.getByRole('menuitem', { name: item }).click();
};

/** The job as the server has it, and its plans as the core computes them from there. */
async function computed(page: Page, workshop: Workshop): Promise<{ instrument: Instrument; plans: (WindPlan | null)[] }> {
  const jobId = /worksheet\/([^/]+)/.exec(page.url())?.[1] ?? '';
  const file = (await (await page.request.get(`${workshop.address}/api/jobs/${jobId}`)).json()) as WorksheetFile;
  const instrument = toInstrument(file.passport.geometry);
  const chosen = file.events.map(({ event }) => event).findLast((event) => event.kind === 'set-chosen');
  const specs =
    chosen?.kind === 'set-chosen'
      ? chosen.payload.strings.map((string) => specOf(instrument.family, string))
      : (setsFor(instrument.family, instrument.strings.length).find(({ name }) => name === file.passport.current?.setName)?.strings ?? []);
  const postThicker = metres(calibrate(evidenceOf(file)).postThicker(file.passport.id).value);
  const plans = specs.map((spec, index) => {
    const properties = stringProperties(spec);
    return properties.ok ? windString({ instrument, index, string: properties.value, postThicker }) : null;
  });
  return { instrument, plans };
}

/** What the picture says of itself: its scale, the nut, every post, and the cut mark. */
const drawn = (page: Page) =>
  page.locator('peg-headstock svg').evaluate((svg) => {
    const number = (element: Element | null, name: string) => Number(element?.getAttribute(name));
    const nut = svg.querySelector('rect.nut');
    const cut = svg.querySelector('[data-cut]');
    const taut = svg.querySelector('.taut');
    return {
      pxPerMm: number(svg, 'data-px-per-mm'),
      nutFront: number(nut, 'x') + number(nut, 'width'),
      nutMiddle: number(nut, 'y') + number(nut, 'height') / 2,
      posts: Array.from(svg.querySelectorAll('[data-post]'), (post) => ({
        number: number(post, 'data-post'),
        x: number(post, 'data-x'),
        y: number(post, 'data-y'),
        diameter: 2 * number(post.querySelector('.shaft'), 'r'),
      })),
      cut:
        cut === null
          ? null
          : { x: number(cut, 'x1'), y: (number(cut, 'y1') + number(cut, 'y2')) / 2, fromX: number(taut, 'x1'), fromY: number(taut, 'y1') },
    };
  });

/** A dialog takes the focus once it stands: what is typed before that would land in its first field. */
const hasFocus = (dialog: Locator) => expect(dialog.locator(':focus')).toHaveCount(1);

test.describe('the picture and the numbers', () => {
  for (const name of [
    'Heron parlour, walnut',
    'Longshore four, oxblood',
    'Almery classical, cedar',
    'Drumlin five-string banjo',
    'Tidewrack headless, slate',
  ]) {
    test(`come from one geometry: ${name}`, async ({ page, workshop }) => {
      await wind(page, workshop, name);
      const { instrument, plans } = await computed(page, workshop);
      const picture = await drawn(page);
      // the nut reaches 3 mm behind its front edge, by which posts are measured
      const nutX = picture.nutFront - 3 * picture.pxPerMm;
      expect(picture.posts.length).toBe(instrument.strings.filter(({ post }) => post.pipAlong === null).length);
      for (const { number, x, y, diameter } of picture.posts) {
        const post = instrument.strings[number - 1]?.post;
        if (post === undefined) throw new Error(`no post ${number}`);
        expect((nutX - x) / picture.pxPerMm).toBeCloseTo(post.along * MM, 3);
        expect((y - picture.nutMiddle) / picture.pxPerMm).toBeCloseTo(post.sideways * MM, 3);
        if (post.style !== 'roller' && post.style !== 'clamp') expect(diameter / picture.pxPerMm).toBeCloseTo(post.diameter * MM, 3);
      }
      const count = instrument.strings.length;
      for (const number of [1, Math.ceil(count / 2)]) {
        // not wound yet: of a wound string the lane shows what was wound
        await page.keyboard.press(String(number));
        await expect(lane(page, number)).toHaveAttribute('aria-pressed', 'true');
        const plan = plans[number - 1];
        if (plan == null) throw new Error(`no plan for ${number}`);
        await expect(lane(page, number).locator('[data-what=cut]')).toContainText(`+ ${(plan.cut * MM).toFixed(0)} mm`);
        const slack = plan.kind === 'clamp' ? (plan.slack * MM).toFixed(1) : (plan.slack * MM).toFixed(0);
        await expect(lane(page, number).locator('[data-what=slack] b')).toHaveText(slack.replace('-', '−'));
        const { cut, pxPerMm } = await drawn(page);
        if (cut === null) continue;
        expect(Math.hypot(cut.x - cut.fromX, cut.y - cut.fromY) / pxPerMm).toBeCloseTo(Math.abs(plan.cut) * MM, 2);
      }
    });
  }

  test('lie opposite with the headstock to the right, and are remembered so', async ({ page, workshop }) => {
    await wind(page, workshop, 'Heron parlour, walnut');
    const before = await drawn(page);
    await more(page, /^Headstock to the right/);
    await expect(page.getByText('string 1 nearest you')).toBeVisible();
    await page.reload();
    await expect(page.getByText('string 1 nearest you')).toBeVisible();
    const after = await drawn(page);
    const [one, other] = [before.posts[0], after.posts[0]];
    expect((other?.x ?? 0) - (after.nutFront - 3 * after.pxPerMm)).toBeGreaterThan(0);
    expect(Math.sign((one?.y ?? 0) - before.nutMiddle)).toBe(-Math.sign((other?.y ?? 0) - after.nutMiddle));
    await more(page, /^Headstock to the left/);
    await expect(page.getByText('string 6 nearest you')).toBeVisible();
  });
});

test('the mark is dragged and pushed: turns, angle and offcut follow it, from scrap to good', async ({ page, workshop }) => {
  await wind(page, workshop, 'Heron parlour, walnut');
  await page.keyboard.press('4');
  const mark = page.getByRole('slider', { name: /Cut mark/ });
  const facts = page.getByLabel('What this mark gives');
  await expect(mark).toHaveAttribute('aria-valuetext', /, good$/);
  const turns = async () => Number(/turns\s*([\d.−-]+)/.exec(await facts.innerText())?.[1]);
  const start = await turns();
  const box = await page.locator('peg-cut-rule svg').boundingBox();
  if (box === null) throw new Error('no rule');
  await page.mouse.move(box.x + box.width * 0.6, box.y + box.height * 0.4);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.2, box.y + box.height * 0.4, { steps: 5 });
  await expect(mark).toHaveAttribute('aria-valuetext', /, scrap$/);
  await page.mouse.move(box.x + box.width * 0.9, box.y + box.height * 0.4, { steps: 5 });
  await page.mouse.up();
  await expect.poll(turns).toBeGreaterThan(start + 0.5);
  await mark.focus();
  await page.keyboard.press('ArrowLeft');
  await page.getByRole('button', { name: 'back to the house’s mark' }).click();
  await expect.poll(turns).toBe(start);
});

test('a headstock that is measured by hand changes its numbers, and a fault is said before it is kept', async ({ page, workshop }) => {
  await wind(page, workshop, 'Pipit concert ukulele, mahogany');
  const slack = await lane(page, 2).locator('[data-what=slack] b').innerText();
  await more(page, /^Measure this headstock/);
  await expect(page.getByRole('heading', { name: 'What measuring would sharpen' })).toBeVisible();

  const along = page.getByLabel('String 2, along, mm');
  const before = Number(await along.inputValue());
  const post = page.locator('[data-post="2"] .bushing');
  const box = await post.boundingBox();
  const scale = await page.locator('peg-headstock svg').evaluate((svg) => Number(svg.getAttribute('data-px-per-mm')));
  if (box === null) throw new Error('no post');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 6 * scale, y, { steps: 4 });
  await page.mouse.up();
  // a pixel is a third of a millimetre there, and a drag goes by half ones
  await expect.poll(async () => Math.abs(Number(await along.inputValue()) - before - 6)).toBeLessThanOrEqual(0.5);

  await along.fill('4');
  await expect(page.getByRole('alert')).toContainText('String 2, from the nut, must be more than the diameter of the post');
  await expect(page.getByRole('button', { name: 'Keep it so' })).toBeDisabled();
  await page.getByRole('button', { name: 'as it was' }).click();
  await page.getByLabel('first to last post, treble side, mm').fill('44');
  await page.getByLabel('String 2, diameter, mm').click(); // leaving the field takes it over
  await expect.poll(async () => Number(await along.inputValue())).toBeCloseTo(80, 9); // 36 to the first
  await page.getByLabel('String 2, diameter, mm').fill('7');
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page).toHaveURL(/\/wind$/);
  await expect(lane(page, 2).locator('[data-what=slack] b')).not.toHaveText(slack);
});

test('turns that were counted are kept with their evidence, and teach the next string', async ({ page, workshop }) => {
  await wind(page, workshop, 'Heron parlour, walnut');
  await page.keyboard.press('6');
  const field = page.getByLabel('turns really on it');
  await field.fill('55');
  await expect(page.getByRole('alert')).toContainText('must lie between 0 and 20');
  await field.fill('1.75');
  await page.keyboard.press('Enter');
  await expect(lane(page, 6).locator('[data-what=turns]')).toHaveText('1¾');
  await page.getByRole('button', { name: 'evidence …' }).click();
  const row = page.getByRole('dialog').getByRole('row').filter({ hasText: 'you' }).first();
  await expect(row).toContainText('1.75');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('waiting')).toBeHidden();
  const stored = await workshop.query(
    "SELECT 1 FROM turns_counted JOIN job ON job.id = job_id WHERE job.state = 'on-bench' AND string = 6 AND (counted->>'turns')::float = 1.75",
  );
  expect(stored.length).toBe(1);
});

test('ways are changed in place, by who may, and the school says slack in its own words', async ({ page, workshop }) => {
  await wind(page, workshop, 'Heron parlour, walnut');
  await expect(lane(page, 1).locator('[data-what=turns]')).toHaveText('3');
  await more(page, /^Ways in force/);
  const ways = page.getByRole('dialog');
  await hasFocus(ways);
  await expect(ways.getByLabel('thin plain, the house', { exact: true })).toBeDisabled();
  await ways.getByLabel('thin plain, you', { exact: true }).fill('12');
  await page.keyboard.press('Tab');
  await expect(ways.getByRole('alert')).toContainText('between 0.5 and 8 turns');
  await ways.getByLabel('thin plain, you', { exact: true }).fill('4');
  await page.keyboard.press('Tab');
  await ways.getByLabel('middle, plain or wound, this instrument', { exact: true }).fill('2');
  await page.keyboard.press('Tab');
  await ways.getByRole('button', { name: 'Close' }).click();
  await expect(lane(page, 1).locator('[data-what=turns]')).toHaveText('4');
  await expect(lane(page, 3).locator('[data-what=turns]')).toHaveText('2');

  await more(page, /^My hand/);
  const hand = page.getByRole('dialog');
  await hasFocus(hand);
  for (const reading of [1, 2, 3]) await hand.getByLabel(`fist, reading ${reading}, mm`).fill(String(88 + reading));
  await expect(hand.getByText('90 mm')).toBeVisible();
  await hand.getByRole('button', { name: 'Keep my hand' }).click();
  await expect(hand.getByText('kept: 18 mm')).toBeVisible();
  await hand.getByRole('button', { name: /in posts/ }).click();
  await hand.getByRole('button', { name: 'Close' }).click();
  await expect(lane(page, 4)).toContainText(/end [+−] \d+ mm/); // no post follows its own
});

test('bench mode shows the step in hand in large type, goes on by the same keys, and says it aloud', async ({ page, workshop }) => {
  await wind(page, workshop, 'Drumlin five-string banjo');
  await page.keyboard.press('5');
  await page.evaluate(() => {
    window.speechSynthesis.speak = (utterance) => document.body.setAttribute('data-spoken', utterance.text);
  });
  await page.keyboard.press('s');
  await expect(page.locator('body')).toHaveAttribute('data-spoken', /^String 5, G\. turns: \d\. slack: /);
  await page.keyboard.press('b');
  const mode = page.getByRole('region', { name: 'Bench mode' });
  await expect(mode).toContainText('cut past the post');
  await expect(mode.getByRole('button', { name: 'String 5 wound' })).toBeVisible();
  await page.keyboard.press('4');
  await expect(mode.getByRole('button', { name: 'String 4 wound' })).toBeVisible();
  await page.keyboard.press('b');
  await expect(mode).toBeHidden();
});

test('the cut strip is looked at, kept and printed', async ({ page, workshop }) => {
  await wind(page, workshop, 'Heron parlour, walnut');
  await more(page, /^Cut strip/);
  const sheet = page.getByRole('dialog').getByRole('img');
  await expect(sheet).toHaveAttribute('alt', /string 1 at \d+ mm/);
  await page.getByRole('button', { name: 'Letter' }).click();
  const link = page.getByRole('link', { name: 'PDF to print, Letter' });
  const answer = await page.request.get(`${workshop.address}${(await link.getAttribute('href')) ?? ''}`);
  expect(answer.headers()['content-type']).toBe('application/pdf');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'keep as SVG' }).click();
  expect((await download).suggestedFilename()).toBe('gold-peg-cut-strip.svg');
});
