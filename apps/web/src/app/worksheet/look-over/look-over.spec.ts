import { afterEach, describe, expect, it } from 'vitest';
import type { BenchPage } from '../../testing/bench-page';
import { setOf, setupWith, WorksheetBench } from '../../testing/worksheet-bench';
import { HandOver } from '../hand-over/hand-over';
import { provideRouter } from '@angular/router';
import { TestBed } from '@angular/core/testing';
import { LookOver } from './look-over';

const SET = setOf('acoustic-phosphor-12-16-24w-32w-42w-53w');
const last = setupWith(SET, {
  jobId: '01900000-0000-7000-8000-0000000000ff',
  findings: [
    { what: 'groove', severity: 'watch', string: 2, fret: 3, wood: null, text: '' },
    { what: 'board-dry', severity: 'soon', string: null, fret: null, wood: 'ebony', text: '' },
  ],
  measurements: [{ what: 'relief', valueMm: 0.18, by: 'feeler-gauge' }],
});
let bench: WorksheetBench;
afterEach(() => bench.close());

async function open(setups = [last]) {
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  bench = await WorksheetBench.open({ kind: 'acoustic-parlour', setups }, 'look-over');
  return bench.page(LookOver);
}
const found = () => bench.logged.flatMap((event) => (event.kind === 'found' ? [event.payload] : []));
/** Points at the drawing: px from its left edge, or from its right where below zero, and a share of its height. */
async function point(page: BenchPage<LookOver>, x: number, y: number): Promise<void> {
  const svg = page.element.querySelector('.board svg');
  if (svg === null) throw new Error('nothing is drawn');
  const box = svg.getBoundingClientRect();
  svg.dispatchEvent(new MouseEvent('click', { bubbles: true, clientX: (x < 0 ? box.right : box.left) + x, clientY: box.top + y * box.height })); // prettier-ignore
  await page.settle();
}

describe('looking over', () => {
  it('puts a finding where one points: fret 12 lies half way up the scale, string 2 is the second from the top', async () => {
    const page = await open();
    const width = page.element.querySelector('.board svg')?.getBoundingClientRect().width ?? 0;
    await point(page, 64 + (width - 60 - 64) / 2, 1.5 / 6); // the nut stands at 64, the saddle 60 from the right
    expect(bench.desk.lane()).toBe(1);
    await page.press('keep finding');
    expect(found()).toEqual([{ what: 'groove', severity: 'watch', string: 2, fret: 12, wood: null, text: '' }]);
    expect(page.text).toContain('groove at fret 12, string 2new');
    await point(page, 64, 4.5 / 6);
    await page.press('keep finding');
    expect(found().at(-1)).toMatchObject({ what: 'slot-binds', string: 5, fret: null });
    await point(page, -10, 0.5 / 6);
    await page.press('keep finding');
    expect(found().at(-1)).toMatchObject({ what: 'pin-worn', string: 1 });
  });

  it('works without pointing: part, fret and string, how bad, and a note', async () => {
    const page = await open();
    bench.desk.lane.set(3);
    await page.choose('finding-severity', 'before it leaves');
    const fret = page.element.querySelector<HTMLInputElement>('#finding-fret');
    if (fret !== null) fret.value = '7';
    fret?.dispatchEvent(new Event('input'));
    await page.type('note', 'chokes');
    expect(page.text).toContain('refer to a qualified repairer');
    await page.press('keep finding');
    expect(found()).toEqual([{ what: 'groove', severity: 'now', string: 4, fret: 7, wood: null, text: 'chokes' }]);
    if (fret !== null) fret.value = '50';
    fret?.dispatchEvent(new Event('input'));
    await page.press('keep finding');
    expect(page.alert()).toBe('The fret must be 36 or less: no instrument has more frets.');
    expect(found()).toHaveLength(1);
  });

  it('knows the wood from last time, oils by it, and warns of rags only where oil is used', async () => {
    const page = await open();
    const caution = () => page.element.querySelector('peg-caution')?.textContent ?? '';
    await page.choose('finding-part', 'fingerboard');
    expect(page.text).toContain('Ebony needs little');
    expect(caution()).not.toContain('Rags');
    await page.press('keep finding');
    expect(found()).toMatchObject([{ what: 'board-dry', wood: 'ebony', string: null }]);
    expect(caution()).toContain('Rags with drying oil can catch fire');
    expect(page.text).toContain('dry boardbetter than last time');
  });

  it('holds findings against last time: still so, and taken back', async () => {
    const page = await open();
    expect(page.text).toContain('groove at fret 3, string 2found before, not yet today');
    expect(page.element.querySelectorAll('g.before')).toHaveLength(2);
    await page.press('still so');
    expect(found()).toMatchObject([{ what: 'groove', string: 2, fret: 3 }]);
    expect(page.text).toContain('as last time');
    expect(page.element.querySelectorAll('g.before')).toHaveLength(1);
    await page.press('Take back: groove');
    expect(page.element.querySelectorAll('g.before')).toHaveLength(2);
    bench.desk.lane.set(1);
    await page.settle();
    expect(page.text).toContain('Found before: groove at fret 3, string 2; dry board. What is not said to be still so');
    await bench.desk.markDone();
    await page.settle();
    expect(page.text).toContain('groove at fret 3, string 2not found any more');
    expect(page.text).not.toContain('Found before: groove');
  });

  it('takes measures in their range, with what they are taken with and what they were', async () => {
    const page = await open();
    expect(page.text).toContain('was 0.18 mm');
    const typed = async (text: string, field = 'relief') => {
      await page.type(field, text);
      page.field(field).dispatchEvent(new Event('blur'));
      await page.settle();
    };
    await typed('0,25');
    expect(bench.logged.at(-1)).toMatchObject({ kind: 'measured', payload: { what: 'relief', valueMm: 0.25, by: 'feeler-gauge' } });
    await typed('25');
    expect(page.alert()).toBe('relief must lie between -1 and 3 mm: relief does.');
    await typed('little');
    expect(page.alert()).toBe('relief must be a number in mm.');
    bench.desk.lane.set(4);
    await page.settle();
    await typed('1.1', 'nut slot, string 5');
    expect(bench.logged.at(-1)).toMatchObject({ kind: 'measured', payload: { what: 'slot-width', valueMm: 1.1, string: 5 } });
  });

  it('stands on the card: what was found, how it went on, whose work it is, and what was measured', async () => {
    const page = await open();
    await page.press('still so');
    const relief = page.field('relief');
    await page.type('relief', '0.3');
    relief.dispatchEvent(new Event('blur'));
    await page.settle();
    const card = await bench.page(HandOver);
    const list = card.element.querySelector('[aria-label="What was found"]')?.textContent.replace(/\s+/g, ' ') ?? '';
    expect(list).toContain('groove at fret 3, string 2 watch it · as last time');
    expect(list).toContain('dry board not looked at this time');
    for (const lane of [0, 1]) {
      bench.desk.lane.set(lane);
      await bench.desk.markDone();
    }
    await card.settle();
    const told = card.element.querySelector('[aria-label="What was found"]')?.textContent.replace(/\s+/g, ' ');
    expect(told).toContain('dry board not found any more');
    const row = [...card.element.querySelectorAll('table[aria-label="What was measured"] tbody tr')][0];
    expect([...(row?.children ?? [])].map(({ textContent }) => textContent)).toEqual([
      'relief, as it came',
      '0.30 mm',
      '0.18 mm',
      'straightedge and feeler gauge',
    ]);
  });
});
