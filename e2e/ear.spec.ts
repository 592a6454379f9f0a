import { chanceFrom } from '@gold-peg/craft/simulated';
import { pluck } from '@gold-peg/craft/sound';
import { hertz } from '@gold-peg/craft/units';
import { fedWith, wavFile } from './sound-files.js';
import { arriveAtStage, expect, test } from './workshop.js';

const RATE = 48_000;
/** D3, and how far under it the string stands that is plucked. */
const [D3, UNDER] = [146.832, -187.4];

/** A quiet room in which one string is plucked every three seconds. */
function take(): string {
  const chance = chanceFrom(7);
  const first = hertz(D3 * 2 ** (UNDER / 1200));
  const sound = pluck({ first, inharmonicity: 2e-4, at: 0.17, ring: 5, seconds: 2, sampleRate: RATE }, chance);
  const samples = Float32Array.from({ length: 3 * RATE }, (_, at) => 0.0008 * (2 * chance() - 1) + 0.4 * (sound[at - RATE] ?? 0));
  return wavFile(samples, RATE);
}

test.use({ launchOptions: fedWith(take()) });

test('a string that sounds before the microphone is known, read to half a cent and taken in hand', async ({ page, workshop }) => {
  await arriveAtStage(page, workshop, 'Heron parlour, walnut', 'wind');
  // wound and brought near their notes without the ear: what stands where is known roughly
  const lanes = page.locator('[data-lane]');
  await expect(lanes).toHaveCount(6);
  const act = page.locator('main .act');
  for (let says = await act.innerText(); !/^String \d at pitch/.test(says); says = await act.innerText()) {
    await page.keyboard.press('Shift+Space');
    await expect(act).not.toHaveText(says, { useInnerText: true });
  }
  await page.keyboard.press('1');
  await expect(page.getByRole('button', { name: /E4 \.012/ })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('option', { name: 'microphone' }).click();
  await expect(page.getByText(/: string 4, (another than the one in hand, )?sure \d+ %/)).toBeVisible();
  await expect(page.getByRole('button', { name: /D3 \.032/ })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText(/¢ to go, [\d.]+ turns of the button, from below/)).toBeVisible();
  const heard = () =>
    workshop.query<{ string: number; cents: number; by: string }>(
      `SELECT (event->>'string')::int AS string, (event->'payload'->>'cents')::float8 AS cents, event->'payload'->>'by' AS by FROM bench_event WHERE kind = 'heard'`,
    );
  await expect.poll(async () => (await heard()).length).toBeGreaterThan(0);
  for (const { string, cents, by } of await heard()) {
    expect([string, by]).toEqual([4, 'microphone']);
    expect(Math.abs(cents - UNDER)).toBeLessThan(0.5);
  }
});
