import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { afterEach, expect, it, vi } from 'vitest';
import { BenchPage } from '../testing/bench-page';
import { TakeIn } from './take-in';

afterEach(() => vi.unstubAllGlobals());

it('promises the end of a day that is typed day first, and refuses a day that is none', async () => {
  const sent: { promisedAt?: string; reason?: string }[] = [];
  vi.stubGlobal('fetch', (_url: string, { body }: RequestInit) => {
    if (typeof body === 'string') sent.push(JSON.parse(body) as (typeof sent)[number]); // the plan is asked for without one
    return Promise.reject(new TypeError('Failed to fetch'));
  });
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  const passport = { id: '01900000-0000-7000-8000-000000000109', family: 'bass', stringCount: 4, current: null };
  const page = await BenchPage.open(TakeIn, { passport });
  await page.type('Why now?', 'a gig');
  await page.type('Promised for', '40/12/2026');
  await page.submit();
  expect(page.alert()).toBe('Promised for must be a day such as 28/11/2026.');
  expect(sent).toEqual([]);
  expect(page.text).toContain('what is promised is yours to judge'); // nobody answers
  await page.type('Promised for', '2/12/2026');
  await page.submit();
  await page.until(() => expect(sent[0]).toMatchObject({ reason: 'a gig', promisedAt: new Date(2026, 11, 2, 17, 30).toISOString() }));
  expect(page.field('Why now?').value).toBe('a gig'); // the server was away: nothing is lost
  await page.type('at', '11:00');
  await page.type('Promised for', '3/12/2026'); // another day keeps the time
  await page.submit();
  await page.until(() => expect(sent[1]).toMatchObject({ promisedAt: new Date(2026, 11, 3, 11, 0).toISOString() }));
});
