import { afterEach, expect, it } from 'vitest';
import { WorksheetBench } from '../../testing/worksheet-bench';
import { HangSet } from './hang-set';

const NYLON = 'classical-nylon-basses-28-32-40-29w-35w-43w';
const STEEL = 'electric-nickel-10-13-17-26w-36w-46w';
let bench: WorksheetBench;
afterEach(() => bench.close());

it('says what is hung from each string once the set is taken, and that it hangs, and takes it back', async () => {
  bench = await WorksheetBench.open({ kind: 'classical' }, 'choose');
  const page = await bench.page(HangSet);
  expect(page.text).toBe('');
  await bench.choose(NYLON);
  await page.settle();
  await page.press('in a hurry?');
  // 0.71 mm of nylon at 1065 kg/m³ and 650 mm: 4 · 4.24e-4 · (329.6 · 0.65)² = 78 N at rest, 4 to 10 % less as it thins: 7.1 to 7.7 kg
  const first = Number(/1 (\d+\.\d) kg/.exec(page.text)?.[1]);
  expect(first).toBeGreaterThan(7);
  expect(first).toBeLessThan(7.8);
  expect(page.text).toContain('it holds in about 24 h');
  await page.press('it hangs now');
  expect(bench.logged.at(-1)).toMatchObject({ kind: 'set-hung' });
  expect(page.text).toMatch(/Hangs since .*it holds from about/);
  await bench.desk.takeBack();
  await page.settle();
  expect(page.text).toContain('in a hurry?');
});

it('says nothing of steel, and nothing of strings that are on', async () => {
  bench = await WorksheetBench.open({ kind: 'electric-in-line' }, 'choose');
  await bench.choose(STEEL);
  expect((await bench.page(HangSet)).text).toBe('');
});

it('winds a string that hung for a day as one that creeps no more', async () => {
  bench = await WorksheetBench.open({ kind: 'classical' }, 'choose');
  await bench.choose(NYLON);
  const before = bench.desk.plans()[0];
  const [taken] = bench.logged;
  bench.close();
  const at = new Date(Date.parse(taken?.at ?? '') - 30 * 3_600_000).toISOString();
  const hung = [taken, { ...taken, id: `${taken?.id.slice(0, -1) ?? ''}f`, kind: 'set-hung' as const, payload: {} }].map((event) => ({
    ...event,
    at,
  }));
  bench = await WorksheetBench.open({ kind: 'classical', events: hung as never }, 'wind');
  const after = bench.desk.plans()[0];
  if (before?.kind !== 'post' || after?.kind !== 'post') throw new Error('they are wound on posts');
  // what stretches and creeps at the post makes turns by itself: less of it wants more slack for as many turns
  expect([before.stretch.creep, after.stretch.creep]).toEqual([0.03, 0]);
  expect(after.stretched).toBeLessThan(before.stretched);
});
