import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Settings } from 'luxon';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { BenchPage } from '../testing/bench-page';
import { LogPage } from './log-page';

describe('the log, by passport and day', () => {
  let page: BenchPage<LogPage>;
  const asked: Record<string, string>[] = [];
  const zone = Settings.defaultZone;

  const csv = () => getComputedStyle(page.element.querySelector('a[download$=csv]') ?? page.element).visibility;
  const readsOn = () => page.element.textContent.includes('earlier ones');

  beforeEach(async () => {
    Settings.defaultZone = 'Pacific/Auckland'; // 13 h before the clock of Greenwich in November
    vi.stubGlobal('fetch', (address: string) => {
      const { pathname, searchParams } = new URL(address, location.href);
      if (pathname === '/api/log') asked.push(Object.fromEntries(searchParams));
      const body = pathname === '/api/log' ? { lines: [], next: 40 } : [];
      return Promise.resolve(new Response(JSON.stringify(body), { status: 200, headers: { 'content-type': 'application/json' } }));
    });
    TestBed.configureTestingModule({ providers: [provideRouter([{ path: '**', children: [] }])] });
    page = await BenchPage.open(LogPage);
    await page.until(() => expect(asked).toHaveLength(1));
    asked.length = 0;
  });

  afterEach(() => {
    Settings.defaultZone = zone;
    vi.unstubAllGlobals();
  });

  it('asks for whole days of the house, wherever the device is', async () => {
    await page.type('from', '28/11/2026');
    await page.type('to', '28/11/2026');
    await page.until(() => expect(asked.at(-1)).toMatchObject({ from: '2026-11-27T11:00:00.000Z', to: '2026-11-28T11:00:00.000Z' }));
  });

  it.each([
    { field: 'Passport', typed: '12a', says: 'Passport must be the number of a passport: a whole number from 1.', right: '121' },
    { field: 'Passport', typed: '0', says: 'Passport must be the number of a passport: a whole number from 1.', right: '121' },
    { field: 'from', typed: 'yesterday', says: 'The day from which it is read must be such as 28/11/2026.', right: '28/11/2026' },
  ])('asks for nothing where $field is $typed, says why, offers no file and reads no further, and asks once it is right', async (each) => {
    await page.type(each.field, each.typed);
    expect(page.alert()).toContain(each.says);
    expect(csv()).toBe('hidden');
    expect(readsOn()).toBe(false);
    await page.type(each.field, each.right);
    await page.until(() => expect(asked).toHaveLength(1));
    expect(page.alert()).toBe('');
    expect(csv()).toBe('visible');
    expect(readsOn()).toBe(true);
    expect(asked[0]).toMatchObject(each.field === 'from' ? { from: '2026-11-27T11:00:00.000Z' } : { passport: '121' });
  });

  it('says that days lie the wrong way round', async () => {
    await page.type('to', '27/11/2026');
    await page.type('from', '28/11/2026');
    expect(page.alert()).toBe('The last day must not lie before the first.');
  });
});
