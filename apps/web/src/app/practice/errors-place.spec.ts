import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Skill } from '@gold-peg/craft/skills';
import { DEFAULT_PREFERENCES } from '@gold-peg/contract/people';
import { BenchDatabase } from '../bench-log/bench-database';
import { Session } from '../session/session';
import { BenchPage } from '../testing/bench-page';
import { ErrorsPlace } from './errors-place';

const CORIN = '0190f3a0-0000-7000-8000-000000000001';
const DAY_MS = 86_400_000;

/** Answers of a skill: how far off, how many days ago. */
async function answered(skill: Skill, answers: readonly { off: number; days: number }[]): Promise<void> {
  await TestBed.inject(BenchDatabase).tries.bulkPut(
    answers.map(({ off, days }, nth) => ({
      ...{ id: `${skill} ${nth}`, personId: CORIN, skill, seed: 100 + nth, level: 2, off, good: Math.abs(off) < 1 },
      ...{ sheetId: null, draft: null },
      at: new Date(Date.now() - days * DAY_MS).toISOString(),
    })),
  );
}

beforeEach(async () => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch'))); // what is on the device is enough
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  TestBed.inject(Session).person.set({ id: CORIN, name: 'Corin Vell', role: 'technician', version: 1, preferences: DEFAULT_PREFERENCES });
  await TestBed.inject(BenchDatabase).tries.clear();
});
afterEach(() => {
  TestBed.inject(BenchDatabase).close();
  vi.unstubAllGlobals();
});

async function open(): Promise<BenchPage<ErrorsPlace>> {
  const page = await BenchPage.open(ErrorsPlace);
  await page.until(() => expect(page.text).not.toContain('Looking what you practised'));
  return page;
}

it('says mean and spread of a skill, each answer with its seed, and week by week how it went', async () => {
  const slack = [12, 8, 10, 6, 4, 2].map((off, nth) => ({ off, days: nth < 3 ? 8 : 1 }));
  await answered('slack', slack);
  const faults = [1, 0, 0, 0].map((off) => ({ off, days: 2 }));
  await answered('fault', faults);
  const page = await open();
  // (12 + 8 + 10 + 6 + 4 + 2) / 6 = 7; deviation of six about it: √(70/5) = 3.7
  expect(page.text).toContain('7 % too much, ± 4');
  expect(page.text).toContain('skills tried2 of 11');
  const cells = [...page.element.querySelectorAll('tbody tr')].map((row) => [...row.querySelectorAll('td')].map((cell) => cell.textContent.trim())); // prettier-ignore
  expect(cells).toHaveLength(6);
  expect(cells[0]?.slice(1)).toEqual(['3', '2 % too much', '105']);
  const weeks = () => page.element.querySelectorAll('peg-weeks-chart circle');
  expect(weeks()).toHaveLength(2);
  // means 4 and 10 of two weeks: the later lies nearer the middle of the chart
  const [now, before] = [...weeks()].map((circle) => Math.abs(Number(circle.getAttribute('cy')) - 68));
  expect((before ?? 0) / (now ?? 1)).toBeCloseTo(2.5, 1);

  await page.press('find the fault');
  expect(page.text).toContain('1 wrong in 4');
  expect(page.element.querySelector('a[href="/practice?of=fault"]')?.textContent).toBe('practise it');
  expect([...page.element.querySelectorAll('peg-weeks-chart text')].map(({ textContent }) => textContent?.trim())).toContain('50 %');
});

it('says so where nothing was practised yet', async () => {
  const page = await open();
  expect(page.text).toContain('Not tried yet');
  expect(page.text).toContain('None in these eight weeks.');
  expect(page.element.querySelector('table')).toBeNull();
});
