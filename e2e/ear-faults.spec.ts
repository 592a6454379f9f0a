import { chanceFrom } from '@gold-peg/craft/simulated';
import { pluck } from '@gold-peg/craft/sound';
import { hertz } from '@gold-peg/craft/units';
import type { Page } from '@playwright/test';
import { fedWith, wav, wavFile } from './sound-files.js';
import { arriveAtStage, expect, test, type Workshop } from './workshop.js';

const RATE = 16_000;

test.use({ launchOptions: fedWith(wavFile(new Float32Array(3 * RATE), RATE)) });

/** What the page has of the device, kept where a test can reach it. */
interface Kept {
  stream: MediaStream;
  context: AudioContext;
}

async function atBringUp(page: Page, workshop: Workshop): Promise<void> {
  await page.addInitScript(() => {
    const kept = {} as Kept;
    Object.assign(window, { kept });
    const open = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
    navigator.mediaDevices.getUserMedia = async (asked) => (kept.stream = await open(asked));
    const Context = AudioContext;
    window.AudioContext = class extends Context {
      constructor() {
        super();
        kept.context = this;
      }
    };
  });
  await arriveAtStage(page, workshop, 'Heron parlour, walnut', 'bring-up');
}
const listenTo = (page: Page, source: string) => page.getByRole('option', { name: source }).click();
const isLive = (page: Page) => page.evaluate(() => (window as unknown as { kept: Kept }).kept.stream.getTracks()[0]?.readyState === 'live');

test('a microphone that is silent, unplugged or put to sleep is told in a sentence, and let go', async ({ page, workshop }) => {
  await atBringUp(page, workshop);
  await listenTo(page, 'microphone');
  await expect(page.getByRole('alert')).toContainText('sends nothing but silence', { timeout: 15_000 });
  expect(await isLive(page)).toBe(false);
  await listenTo(page, 'microphone');
  await expect(page.getByText(/^Nothing sounds/)).toBeVisible();
  await page.evaluate(() => (window as unknown as { kept: Kept }).kept.context.suspend());
  await expect.poll(() => page.evaluate(() => (window as unknown as { kept: Kept }).kept.context.state)).toBe('running');
  await page.evaluate(() => (window as unknown as { kept: Kept }).kept.stream.getTracks()[0]?.dispatchEvent(new Event('ended')));
  await expect(page.getByRole('alert')).toContainText('was unplugged');
  expect(await isLive(page)).toBe(false);
});

test('a microphone whose worklet cannot be loaded is let go, and there is a way on', async ({ page, workshop }) => {
  await page.addInitScript(() => (AudioWorklet.prototype.addModule = () => Promise.reject(new DOMException('gone', 'AbortError'))));
  await atBringUp(page, workshop);
  await listenTo(page, 'microphone');
  await expect(page.getByRole('alert')).toContainText('Choose the simulated instrument, or type what your own tuner reads.');
  expect(await isLive(page)).toBe(false);
});

test('a take that was recorded is heard whole, and its plucks are noted at their strings', async ({ page, workshop }) => {
  await atBringUp(page, workshop);
  await listenTo(page, 'WAV file');
  const file = page.getByLabel('Choose a WAV file …');
  await file.setInputFiles({ name: 'song.wav', mimeType: 'audio/wav', buffer: Buffer.from('no sound at all') });
  await expect(page.getByRole('alert')).toContainText('The file must be a WAV file');
  // E4 stands 30 cents under its note, and then somebody plucks what no string of this guitar can sound
  const chance = chanceFrom(3);
  const sound = (pitch: number) =>
    pluck({ first: hertz(pitch), inharmonicity: 1e-4, at: 0.17, ring: 2, seconds: 1.5, sampleRate: RATE }, chance);
  const [low, high] = [sound(329.628 * 2 ** (-30 / 1200)), sound(1400)];
  const samples = Float32Array.from(
    { length: 5 * RATE },
    (_, at) => 0.001 * (2 * chance() - 1) + 0.4 * ((low[at - RATE / 2] ?? 0) + (high[at - 3 * RATE] ?? 0)),
  );
  await file.setInputFiles({ name: 'take.wav', mimeType: 'audio/wav', buffer: wav(samples, RATE) });
  await expect(page.getByText('take.wav: 2 plucks')).toBeVisible({ timeout: 20_000 });
  const rows = page.getByRole('list', { name: 'Plucks of the file' }).getByRole('listitem');
  await expect(rows.nth(0)).toContainText('E4 −30.0 ¢');
  await expect(rows.nth(1)).toContainText('no string of this instrument');
  await page.keyboard.press('1');
  await rows.nth(0).getByRole('button').click();
  await expect(rows.nth(0)).toContainText('noted at string 1');
  await expect
    .poll(() =>
      workshop.query<{ string: number; cents: number; by: string }>(
        `SELECT (event->>'string')::int AS string, (event->'payload'->>'cents')::float8 AS cents, event->'payload'->>'by' AS by FROM bench_event WHERE kind = 'heard'`,
      ),
    )
    .toEqual([{ string: 1, cents: expect.closeTo(-30, 0) as unknown as number, by: 'recording' }]);
});
