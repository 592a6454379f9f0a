import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEFAULT_PREFERENCES, type Person } from '@gold-peg/contract/people';
import type { ExerciseSheet, Learner } from '@gold-peg/contract/practice';
import { BenchDatabase, type LocalTry } from '../../bench-log/bench-database';
import { Session } from '../../session/session';
import { BenchPage } from '../../testing/bench-page';
import { SheetForm } from './sheet-form';
import { SheetsPlace } from './sheets-place';

const [CORIN, WENNA] = [1, 2].map((nth) => `0190f3a0-0000-7000-8000-00000000000${nth}`) as [string, string];
const person = (role: Person['role']): Person => {
  const [id, name] = role === 'owner' ? [WENNA, 'Wenna Tarrow'] : [CORIN, 'Corin Vell'];
  return { id, name, role, preferences: DEFAULT_PREFERENCES, version: 1 };
};
const SHEET: ExerciseSheet = {
  ...{ id: '0190f3a0-0000-7000-8000-0000000000aa', title: 'Slack to begin with', madeBy: { id: WENNA, name: 'Wenna Tarrow' } },
  ...{ madeAt: '2026-05-26T08:00:00.000Z', skills: ['slack'], kinds: [], level: 0, each: 2, within: 1 },
  people: [
    { id: CORIN, name: 'Corin Vell', results: [{ skill: 'slack', tries: 2, bias: 20, spread: 0, worth: 2.5, reached: false }] },
    { id: WENNA, name: 'Wenna Tarrow', results: [{ skill: 'slack', tries: 0, bias: null, spread: null, worth: null, reached: null }] },
  ],
};
const LEARNER: Learner = {
  ...{ id: CORIN, name: 'Corin Vell' },
  standings: [
    { skill: 'slack', tries: 20, bias: 9, spread: 6, wrong: 12, worth: 1.35 },
    { skill: 'cents', tries: 0, bias: null, spread: null, wrong: 0, worth: 4 },
  ],
};
const tried = (id: string, off: number): LocalTry => ({
  ...{ id, personId: CORIN, skill: 'slack', at: `2026-05-26T09:0${id}:00.000Z`, seed: 1, level: 0, off, good: true },
  ...{ sheetId: SHEET.id, draft: null },
});

let page: BenchPage<SheetsPlace>;
let asked: { method: string; path: string; body: unknown }[];
let away: boolean;

async function open(role: Person['role']): Promise<void> {
  TestBed.inject(Session).person.set(person(role));
  page = await BenchPage.open(SheetsPlace);
  await vi.waitFor(() => expect(page.instance['list'].sheets()).not.toBeNull());
  await page.settle();
}

beforeEach(async () => {
  asked = [];
  away = false;
  const answers: Record<string, unknown> = {
    'GET /api/practice/sheets': [SHEET],
    'GET /api/practice/learners': [LEARNER],
    'GET /api/people/names': SHEET.people,
    'POST /api/practice/sheets': SHEET,
  };
  vi.stubGlobal('fetch', (path: string, { method = 'GET', body }: RequestInit = {}) => {
    if (away) return Promise.reject(new TypeError('Failed to fetch'));
    asked.push({ method, path, body: typeof body === 'string' ? JSON.parse(body) : null });
    const answer = answers[`${method} ${path}`] ?? (method === 'DELETE' ? { done: true } : []);
    return Promise.resolve(new Response(JSON.stringify(answer), { headers: { 'content-type': 'application/json' } }));
  });
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  const database = TestBed.inject(BenchDatabase);
  await Promise.all([database.tries.clear(), database.keptSheets.clear()]);
});
afterEach(() => {
  TestBed.inject(BenchDatabase).close();
  vi.unstubAllGlobals();
});

describe('sheets of whoever was given some', () => {
  it('show what was done on this device by now, and what is asked: a mean of 4 % where 8 % are good work', async () => {
    await TestBed.inject(BenchDatabase).tries.put(tried('1', 4));
    away = true; // what was tried is on this device, the sheet as it was told before
    await TestBed.inject(BenchDatabase).keptSheets.put({ personId: CORIN, sheets: [SHEET] });
    await open('technician');
    await vi.waitFor(() => {
      TestBed.tick();
      expect(page.text).toContain('1 of 2');
    });
    expect(page.text).toMatch(/4 %\s*8 % at most\s*under way/);
    expect(page.element.querySelector('a[href*="sheet="]')?.textContent).toContain('Practise it');
    expect(page.text).not.toContain('Given out');
  });

  it('lets them choose whether the owner sees how they stand', async () => {
    await open('technician');
    page.element.querySelector<HTMLElement>('mat-slide-toggle button')?.click();
    await page.settle();
    expect(TestBed.inject(Session).preferences().showsPractice).toBe(true);
  });
});

describe('sheets of the owner', () => {
  it('show everybody they were given to, and how those stand who wish it', async () => {
    await open('owner');
    await vi.waitFor(() => {
      TestBed.tick();
      expect(page.text).toContain('9 % too much, ± 6');
    });
    expect(page.text).toMatch(/Corin Vell\s*slack\s*2 of 2\s*20 %\s*8 % at most\s*not as asked/);
    expect(page.text).toMatch(/Wenna Tarrow\s*slack\s*0 of 2/);
    expect(page.text).not.toContain('cents'); // never tried
  });

  it('can be taken back', async () => {
    await open('owner');
    await page.press('Take Slack');
    expect(asked).toContainEqual({ method: 'DELETE', path: `/api/practice/sheets/${SHEET.id}`, body: null });
  });
});

describe('a new sheet', () => {
  const form = async () => BenchPage.open(SheetForm);

  it('says what is missing at its field, and sends nothing', async () => {
    const paper = await form();
    await paper.press('Give it');
    for (const says of ['must not be empty', 'given to people', 'nothing to practise']) expect(paper.text).toContain(says);
    expect(asked.filter(({ method }) => method === 'POST')).toEqual([]);
  });

  it('is no house without people where they could not be told: who opens the list asks again', async () => {
    away = true;
    const paper = await form();
    const offered = () => [...document.querySelectorAll('mat-option')].map(({ textContent }) => textContent.trim());
    const listed = paper.element.querySelector<HTMLElement>('mat-select[aria-label="To whom"]');
    listed?.click();
    await paper.until(() => expect(offered().join()).toContain('server'));
    document.querySelector<HTMLElement>('.cdk-overlay-backdrop')?.click();
    away = false;
    listed?.click();
    await paper.until(() => expect(offered()).toEqual(['Corin Vell', 'Wenna Tarrow']));
  });

  it('is sent as it was filled in, and the form is empty again', async () => {
    const paper = await form();
    const filled = { title: 'Slack to begin with', forIds: [CORIN], skills: ['slack' as const], kinds: ['classical'] };
    paper.instance['form'].patchValue({ ...filled, each: 5 });
    await paper.press('Give it');
    await vi.waitFor(() => expect(asked.some(({ method }) => method === 'POST')).toBe(true));
    expect(asked.find(({ method }) => method === 'POST')?.body).toMatchObject({ ...filled, each: 5, level: 0, within: 1 });
    await vi.waitFor(() => expect(paper.instance['form'].value.title).toBe(''));
    await paper.settle();
    expect(paper.text).not.toContain('must'); // and nothing is wrong with an empty one that nobody sent
  });
});
