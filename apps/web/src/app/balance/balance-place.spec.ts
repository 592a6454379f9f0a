import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { Passport } from '@gold-peg/contract/register';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { BenchDatabase } from '../bench-log/bench-database';
import { StringTable } from '../string-table/string-table';
import { BenchPage } from '../testing/bench-page';
import { worksheetFile } from '../testing/worksheet-bench';
import { BalancePlace } from './balance-place';

let page: BenchPage<BalancePlace>;

/** The place without a server: strings are those every house begins with. */
async function open(on?: string): Promise<void> {
  page = await BenchPage.open(BalancePlace, on === undefined ? {} : { on });
  await vi.waitFor(() => expect(TestBed.inject(StringTable).file()).not.toBeNull());
  await page.settle();
}
const cents = () =>
  [...page.element.querySelectorAll('.cents')].map(({ textContent }) => parseFloat((textContent ?? '').replace('−', '-')));
async function key(slider: string, name: string, shiftKey = false): Promise<void> {
  const found = page.element.querySelector(`[role=slider][aria-label^="${slider}"]`);
  found?.dispatchEvent(new KeyboardEvent('keydown', { key: name, shiftKey, bubbles: true, cancelable: true }));
  await page.settle();
}
async function choose(option: string): Promise<void> {
  const chip = [...page.element.querySelectorAll<HTMLElement>('mat-chip-option button')].find(({ textContent }) => textContent?.includes(option)); // prettier-ignore
  chip?.click();
  await page.settle();
}

beforeEach(async () => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  await TestBed.inject(BenchDatabase).keptTables.clear();
});
afterEach(() => {
  TestBed.inject(BenchDatabase).close();
  vi.unstubAllGlobals();
});

describe('the place Balance', () => {
  it('begins level and in tune, with nothing left to turn', async () => {
    await open();
    expect(page.text).toContain('it stays level');
    expect(page.text).toContain('nothing left to turn');
    expect(cents()).toEqual([0, 0, 0, 0, 0, 0]);
    expect(page.text).toContain('takes this to its worksheet');
  });

  it('one spring less lets every string down, and tips the bridge once all are tuned again', async () => {
    await open();
    await choose('strings as they are');
    await page.press('Try one spring less');
    for (const off of cents()) expect(off).toBeLessThan(-20);
    expect(page.text).toContain('tried, not done');
    await choose('all tuned again');
    expect(cents()).toEqual([0, 0, 0, 0, 0, 0]);
    expect(page.text).toMatch(/now\s*\d+\.\d° forward/);
    expect(page.text).toContain('It lies on its stop');
    await page.press('back to how it is');
    expect(page.text).not.toContain('It lies on its stop');
    expect(page.text).not.toContain('tried, not done');
    expect(page.text).toContain('nothing left to turn');
  });

  it('the claw a little in draws all up; what is turned is told, and what is left', async () => {
    await open();
    await choose('strings as they are');
    for (let press = 0; press < 5; press++) await key('Claw', 'ArrowLeft');
    for (const off of cents()) expect(off).toBeGreaterThan(3);
    // five fifths of a millimetre by screws of 1.7 mm
    expect(page.text).toContain('turned ⅝ turn in; ⅝ turn out each to level it');
  });

  it('a string that is let down lets the others up', async () => {
    await open();
    for (let press = 0; press < 4; press++) await key('String 6', 'ArrowLeft', true);
    const [first, , , , , sixth] = cents();
    expect(sixth).toBeCloseTo(-200, 0);
    expect(first).toBeGreaterThan(5);
  });

  it('keeps a set that was chosen while its instrument was on the way, and of two picks shows the later', async () => {
    await open();
    const answers = new Map<string, (passport: Passport) => void>();
    vi.stubGlobal('fetch', (address: string) => new Promise((answer) => answers.set(address, (body) => answer(Response.json(body)))));
    const [earlier, later] = ['earlier', 'later'].map((id) => page.instance['pick'](id));
    page.instance['secondId'].set(page.instance['choices']().find(({ name }) => name === '.011–.049 nickel-plated steel')?.id ?? '');
    const { passport } = worksheetFile({ kind: 'electric-in-line-locking' });
    answers.get('/api/instruments/later')?.({ ...passport, openJobId: null });
    await later;
    answers.get('/api/instruments/earlier')?.(passport);
    await earlier;
    await page.settle();
    expect(page.element.querySelector('#then-pick')?.textContent).toContain('.011–.049 nickel-plated steel');
    expect(page.text).toContain('Take it in, to use this on a worksheet');
  });

  it('says of a bridge that does not move that there is nothing to balance', async () => {
    await open('acoustic-parlour');
    expect(page.text).toContain('does not move: there is nothing to balance');
  });
});
