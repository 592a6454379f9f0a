import type { Page } from '@playwright/test';
import { expect, signIn, test } from './workshop.js';

const minus = (text: string): number => Number(/[+−-]?[\d.]+/.exec(text.replace('−', '-'))?.[0] ?? Number.NaN);

/** Somebody who reads the screen and turns the pegs of the simulated instrument to what it says, whatever springs that has. */
class Technician {
  /** Cents that a press by 30° was worth, by string. */
  private readonly worth = new Map<string, number>();
  moves = 0;

  constructor(private readonly page: Page) {}

  now = async (): Promise<string> => (await this.page.locator('peg-balance-now').innerText()).replaceAll(/\s+/g, ' ');
  private inHand = (part: 'cents' | 'to') => this.page.locator(`li.in-hand .${part}`).innerText();

  /** Plucks what is asked for, until something else is. */
  async hearAll(): Promise<void> {
    await expect(async () => {
      await this.page.keyboard.press('a');
      await expect.poll(this.now, { timeout: 1500 }).not.toContain('Pluck string');
    }).toPass({ timeout: 60_000 });
  }

  /** Where the string in hand sounds, once it is heard: what is only reckoned says so. */
  private async sounds(): Promise<number> {
    await this.page.keyboard.press('a');
    await expect.poll(() => this.inHand('cents'), { timeout: 5000 }).not.toContain('≈');
    await this.page.waitForTimeout(250);
    return minus(await this.inHand('cents'));
  }

  /** Turns one string to its mark, and plucks it there. */
  async setOne(): Promise<void> {
    const asked = await this.now();
    const number = /String (\d) to/.exec(asked)?.[1] ?? '';
    await expect(async () => {
      const cents = await this.sounds();
      if ((await this.now()) !== asked) return;
      const off = minus(await this.inHand('to')) - cents;
      const worth = this.worth.get(number) ?? 25;
      const coarse = Math.min(14, Math.trunc(Math.abs(off) / worth));
      const [way, back] = off > 0 ? ['ArrowUp', 1] : ['ArrowDown', -1];
      if (coarse > 0) {
        for (let press = 0; press < coarse; press++) await this.page.keyboard.press(`Shift+${way}`);
        const came = (back * ((await this.sounds()) - cents)) / coarse;
        if (came > 8 && came < 130) this.worth.set(number, came);
      } else if (Math.abs(off) > 1.2) {
        const label = await this.page
          .getByRole('button', { name: /^Turn the button \+/ })
          .first()
          .innerText();
        const presses = Math.max(1, Math.min(25, Math.round((Math.abs(off) * 30) / minus(label) / worth)));
        for (let press = 0; press < presses; press++) await this.page.keyboard.press(way);
      }
      await expect.poll(this.now, { timeout: 700 }).not.toBe(asked);
    }).toPass({ timeout: 90_000, intervals: [0] });
    this.moves++;
  }
}

test('a floating bridge with springs nobody knows is brought home by following the screen', async ({ page, workshop }) => {
  test.setTimeout(600_000);
  await signIn(page, workshop);
  await page.getByRole('link', { name: /Brindle six, dune/ }).click();
  await expect(page.getByRole('heading', { name: 'Plan' })).toBeVisible();
  const technician = new Technician(page);
  await technician.hearAll();
  await expect(page.locator('peg-balance-plan')).toContainText(/Claw: each screw .* in/);
  // six set lower, the claw, and then passes until all are in tune
  let passes = 0;
  for (; passes < 5 && !(await technician.now()).includes('All are in tune'); passes++) {
    while ((await technician.now()).includes(' to ')) {
      if ((await technician.now()).includes('Pluck string')) break;
      await technician.setOne();
    }
    if ((await technician.now()).includes('Screwdriver')) await page.keyboard.press('Space');
    await expect.poll(technician.now).toContain('Pluck string');
    await technician.hearAll();
  }
  expect(passes).toBeLessThanOrEqual(4);
  const cents = await page.locator('peg-balance-stage .cents').allInnerTexts();
  for (const off of cents) expect(Math.abs(minus(off))).toBeLessThanOrEqual(3);
  // what its springs are stays with the instrument, and all six are ticked in one go
  await expect
    .poll(() => workshop.query(`SELECT count(*)::int AS count FROM bench_event WHERE kind = 'springs-learned'`))
    .not.toEqual([{ count: 0 }]);
  await page.keyboard.press('Space');
  await expect(page).toHaveURL(/settle$/);
});
