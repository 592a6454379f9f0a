import { instrumentOf } from '@gold-peg/craft/archetypes';
import { bridgeUnder, levelClaw, restsFrom, screwLead, settle, tunedTo, type FloatingBridge } from '@gold-peg/craft/balance';
import { setsFor, stringProperties } from '@gold-peg/craft/strings';
import { hertz, metres, newtons, type Metres } from '@gold-peg/craft/units';
import type { Page } from '@playwright/test';
import { arrive, arriveAtStage, expect, stageLink, test } from './workshop.js';

/** Springs that the product does not know: it takes them for 1.2 N/mm that open at 8 N. */
const SPRINGS = { count: 3, rate: 1550, initial: newtons(5) };

function under(set: string): FloatingBridge {
  const found = setsFor('electric', 6).find(({ name }) => name.startsWith(set));
  const strings = (found?.strings ?? []).map((spec) => {
    const properties = stringProperties(spec);
    return properties.ok ? properties.value : null;
  });
  const bridge = bridgeUnder(instrumentOf('electric-in-line-locking'), strings, SPRINGS);
  if (bridge === null) throw new Error(`nothing moves under ${set}`);
  return bridge;
}

function levelOf(bridge: FloatingBridge): Metres {
  const level = levelClaw(bridge);
  if (!level.ok) throw new Error('it can be level');
  return level.value;
}

/** The instrument on the bench: it was level under nines, and bears tens that were brought to their notes. */
class Instrument {
  private readonly bridge = under('.010–.046');
  private claw = levelOf(under('.009–.042'));
  private rests = restsFrom(
    this.bridge,
    this.claw,
    this.bridge.strings.map(({ pitch }) => pitch),
  ).rests;

  /** What a tuner reads of each string, to a tenth of a cent. */
  cents(): number[] {
    const { frequencies } = settle(this.bridge, this.claw, this.rests);
    return frequencies.map(
      (sounds, index) => Math.round(10 * 1200 * Math.log2((sounds ?? Number.NaN) / (this.bridge.strings[index]?.pitch ?? 1))) / 10,
    );
  }

  turnPeg(string: number, cents: number): void {
    const sounds = hertz((this.bridge.strings[string]?.pitch ?? Number.NaN) * 2 ** (cents / 1200));
    this.rests = tunedTo(this.bridge, this.claw, this.rests, { string, sounds }).rests;
  }

  turnClaw(turns: number): void {
    this.claw = metres(this.claw + turns * screwLead);
  }
}

const EIGHTHS: Readonly<Record<string, number>> = { '⅛': 1, '¼': 2, '⅜': 3, '½': 4, '⅝': 5, '¾': 6, '⅞': 7 };

async function reads(page: Page, number: number, cents: number): Promise<void> {
  await page.keyboard.press(String(number));
  await expect(page.locator('li.in-hand [data-lane]')).toHaveAccessibleName(new RegExp(`^${number} `));
  await page.getByLabel('it reads, ¢').fill(String(cents));
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('it reads, ¢')).toHaveValue('');
}

test('a floating bridge with springs nobody knows is brought home by following the screen', async ({ page, workshop }) => {
  test.setTimeout(240_000);
  const instrument = new Instrument();
  await arriveAtStage(page, workshop, 'Brindle six, dune', 'balance');
  await page.getByRole('option', { name: 'my own tuner' }).click();
  const panel = page.locator('peg-balance-now');
  const now = async () => (await panel.innerText()).replaceAll(/\s+/g, ' ');
  // springs nobody tried: how far it tips is told as a range
  await expect(page.getByText(/^\d+\.\d° to \d+\.\d°$/).first()).toBeVisible();
  let [pegs, claws] = [0, 0];
  while (!(await now()).includes('All are in tune') && pegs < 30) {
    const says = await now();
    const [, set, mark] = /String (\d) to ([+−]?[\d.]+) ¢/.exec(says) ?? [];
    const [, whole, part = '', way] = /claw (\d*)([⅛¼⅜½⅝¾⅞]?) turns? (in|out)/.exec(says) ?? [];
    if (set !== undefined && mark !== undefined) {
      const cents = Number(mark.replace('−', '-'));
      instrument.turnPeg(Number(set) - 1, cents);
      await reads(page, Number(set), cents);
      pegs++;
    } else if (whole !== undefined) {
      instrument.turnClaw((way === 'in' ? 1 : -1) * (Number(whole) + (EIGHTHS[part] ?? 0) / 8));
      await page.keyboard.press('Space');
      claws++;
    } else
      for (const number of (/Pluck string ([\d, and]+)/.exec(says)?.[1] ?? '').match(/\d/g) ?? [])
        await reads(page, Number(number), instrument.cents()[Number(number) - 1] ?? Number.NaN);
    await expect.poll(now, { intervals: [50] }).not.toBe(says);
  }
  // six are set lower for the claw; then no more than two passes over all
  expect(claws).toBeGreaterThan(0);
  expect(pegs).toBeLessThanOrEqual(18);
  for (const cents of instrument.cents()) expect(Math.abs(cents)).toBeLessThanOrEqual(3);
  // what its springs are stays with the instrument
  const learned = () =>
    workshop.query<{ rate: number }>(
      `SELECT (event->'payload'->'rateNPerMm'->>'likely')::float8 AS rate FROM bench_event WHERE kind = 'springs-learned' ORDER BY seq DESC LIMIT 1`,
    );
  await expect.poll(async () => (await learned())[0]?.rate ?? 0).toBeGreaterThan(1.2);
  await page.keyboard.press('Space');
  await expect(page).toHaveURL(/settle$/);
});

test('what is tried at the place Balance is taken to a worksheet, and nothing of it is taken down', async ({ page, workshop }) => {
  // what the readings of the job so far say of its springs may be reckoned only once its Balance is open again
  const taken = "SELECT count(*) FROM bench_event WHERE kind <> 'springs-learned'";
  const events = async () => (await workshop.query<{ count: string }>(taken))[0]?.count;
  await arrive(page, workshop, '/balance');
  await page.getByLabel('or of the register').fill('Brindle six, dune');
  await page.getByRole('option', { name: 'Brindle six, dune' }).click();
  // a list of sets opens only once the table and the bridge are there
  await expect(page.getByText(/N × \d+ mm$/).first()).toBeVisible();
  await page.getByRole('combobox', { name: 'then' }).click();
  await page.getByRole('option', { name: '.011–.049 nickel-plated steel' }).click();
  await expect(page.getByText(/^it tips \d+\.\d° \(.*\) toward the neck$/)).toBeVisible();
  // nothing of it was measured: pulls and the arm are told with how far they may be off
  await expect(page.getByText(/^\d+ ±\d+ N$/).first()).toBeVisible();
  await expect(page.getByRole('cell', { name: /^−\d+\.\d semitones ±\d+\.\d$/ }).first()).toBeVisible();
  const before = await events(); // the last tick of the journey before this one may come in late
  const claw = page.getByRole('slider', { name: /^Claw/ });
  await claw.focus();
  for (let press = 0; press < 10; press++) await page.keyboard.press('ArrowLeft');
  await expect(page.getByText(/^turned 1⅛ turns in; .* each to level it$/)).toBeVisible();
  await page.getByRole('link', { name: 'Use this on its worksheet' }).click();
  await expect(page).toHaveURL(/\/choose\?set=.*&claw=2\.00/);
  await expect(page.getByRole('combobox', { name: 'Which set?' })).toContainText('.011–.049 nickel-plated steel');
  await stageLink(page, 'Balance').click();
  await expect(page.getByText('tried, not done')).toBeVisible();
  expect(await events()).toBe(before);
});
