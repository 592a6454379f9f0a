import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { exerciseOf, judge, rightSlack, type AnswerOf } from '@gold-peg/craft/exercises';
import type { Skill } from '@gold-peg/craft/skills';
import { type Person, DEFAULT_PREFERENCES } from '@gold-peg/contract/people';
import { BenchDatabase } from '../bench-log/bench-database';
import { Session } from '../session/session';
import { BenchPage } from '../testing/bench-page';
import { PracticePlace } from './practice-place';

const CORIN: Person = {
  id: '0190f3a0-0000-7000-8000-000000000001',
  name: 'Corin Vell',
  role: 'technician',
  preferences: DEFAULT_PREFERENCES,
  version: 1,
};
let page: BenchPage<PracticePlace>;
type Sent = { id: string; at: string; seed: number; level: number } & { [S in Skill]: { skill: S; answer: AnswerOf<S> } }[Skill];
let sent: { tries: Sent[] }[];
let kept: object[];
let away: boolean;
/** Ids that the house will not have. */
let unwanted: Set<string>;

const judged = <S extends Skill>(skill: S, { seed, level, answer }: { seed: number; level: number; answer: AnswerOf<S> }) =>
  judge(skill, exerciseOf(skill, seed, level), answer);

/** As the house does it: all of them judged anew, or none where it will not have one. */
function house({ tries }: (typeof sent)[number]): Response {
  const headers = { 'content-type': 'application/json' };
  if (tries.some(({ id }) => unwanted.has(id))) {
    const problem = { type: '/problems/invalid', title: 'No', status: 422, detail: 'seed must be a whole number' };
    return new Response(JSON.stringify(problem), { status: 422, headers });
  }
  kept.push(...tries.map((each) => ({ ...each, ...judged(each.skill, each) })));
  return new Response(JSON.stringify(kept), { headers });
}

const run = () => page.instance['run'];
const log = () => page.instance['log'];

async function open(): Promise<void> {
  page = await BenchPage.open(PracticePlace);
  await vi.waitFor(() => expect(run().now()).not.toBeNull());
  await page.settle();
}
async function press(key: string, on: EventTarget = document.body): Promise<void> {
  on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  await page.settle();
}

beforeEach(async () => {
  sent = [];
  kept = [];
  unwanted = new Set();
  away = false;
  vi.stubGlobal('fetch', (address: string, { body }: RequestInit = {}) => {
    if (away || address.endsWith('/sheets')) return Promise.reject(new TypeError('Failed to fetch'));
    if (typeof body !== 'string')
      return Promise.resolve(new Response(JSON.stringify(kept), { headers: { 'content-type': 'application/json' } }));
    const asked = JSON.parse(body) as (typeof sent)[number];
    sent.push(asked);
    return Promise.resolve(house(asked));
  });
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  TestBed.inject(Session).person.set(CORIN);
  await Promise.all([TestBed.inject(BenchDatabase).tries.clear(), TestBed.inject(BenchDatabase).keptSheets.clear()]);
});
afterEach(() => {
  TestBed.inject(BenchDatabase).close();
  vi.unstubAllGlobals();
});

describe('an exercise of a size', () => {
  it('is set by keys, taken by Space, and judged in turns: as is right it is good work', async () => {
    await open();
    run().begin('slack', 15838, 0);
    await page.settle();
    expect(page.text).not.toContain('turns it would have made');
    const handle = page.element.querySelector('[role=slider]') as Element;
    const right = rightSlack(exerciseOf('slack', 15838, 0), 'lift');
    for (let mm = 30; mm + 10 <= right; mm += 10) await press('PageUp', handle);
    for (let mm = 30 + 10 * Math.floor((right - 30) / 10); mm + 2 <= right; mm += 2) await press('ArrowUp'); // with no focus anywhere as well
    await press(' ');
    expect(page.text).toContain('turns it would have made');
    expect(run().judged()?.good).toBe(true);
    expect(page.text).toContain('1 tried');
    await press(' ');
    expect(run().judged()).toBeNull(); // on to the next
  });

  it('takes what a key did just before, though nothing was drawn meanwhile', async () => {
    await open();
    run().begin('slack', 15838, 0);
    await page.settle();
    for (const key of ['PageUp', 'PageUp', ' '])
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    await page.settle();
    expect(run().answerOf('slack')).toEqual({ way: 'lift', liftMm: 50 }); // from 30, twice five steps of two
  });

  it('stands once it was said: neither key nor way changes it any more', async () => {
    await open();
    run().begin('slack', 15838, 0);
    await page.settle();
    await press(' ');
    const before = run().judged();
    await page.press('at the cut mark');
    run().answer('slack', { way: 'lift', liftMm: 200 });
    expect(run().judged()).toEqual(before);
    expect(log().tries()).toHaveLength(1);
  });
});

describe('an exercise of a choice', () => {
  it('is answered by its digit, and says what is right and why', async () => {
    await open();
    run().begin('winding-side', 77, 0);
    await page.settle();
    const { instrument, index } = exerciseOf('winding-side', 77, 0);
    const isBass = instrument.strings[index]?.post.side === 'bass';
    await press(isBass ? '2' : '1'); // the wrong one
    expect(page.text).toContain(`it turns ${isBass ? 'anticlockwise' : 'clockwise'}`);
    expect(page.text).toContain('on the side toward the centre line');
    expect(page.text).toContain('1 wrong in 1');
    await press(isBass ? '1' : '2');
    expect(log().tries()).toHaveLength(1);
  });

  it('gives nothing away before it is answered', async () => {
    await open();
    for (const skill of ['octave', 'stretch-or-slip', 'nut-angle', 'which-string'] as const) {
      run().begin(skill, 31, 1);
      await page.settle();
      expect(page.element.querySelectorAll('.right, .wrong, .result').length).toBe(0);
    }
  });
});

describe('a bridge brought home', () => {
  const begin = async () => {
    await open();
    run().begin('balance', 31, 0);
    await page.settle();
    expect(page.text).toContain('Pick an answer'); // nothing to take before a move
  };

  it('counts moves, by keys and by presses: a claw that is turned on is one, and the last can be taken back', async () => {
    await begin();
    const list = page.element.querySelector('peg-balance-exercise ul')?.textContent;
    await press('3');
    for (const key of ['PageUp', 'ArrowDown', 't', 'i', 'i']) await press(key);
    expect(page.text).toContain('2 moves');
    expect(page.element.querySelector('peg-balance-exercise ul')?.textContent).not.toBe(list);
    await press('Backspace');
    await page.press('take the last back');
    expect(page.text).toContain('0 moves');
    expect(page.element.querySelector('peg-balance-exercise ul')?.textContent).toBe(list);
  });

  it('taken before it is home: moves, what it takes by marks, and that it is not home', async () => {
    await begin();
    await page.press('tune it there');
    await press(' ');
    expect(page.text).toContain(`move; by marks it takes ${exerciseOf('balance', 31, 0).best}, and it is not home`);
    await press('t');
    expect(page.text).toContain('1 move');
    expect(run().answerOf('balance')).toEqual({ moves: [{ kind: 'tune', string: 0, cents: 0 }] });
  });
});

it('begins with the skill that somebody came for', async () => {
  page = await BenchPage.open(PracticePlace, { of: 'cents' });
  await vi.waitFor(() => expect(run().now()?.skill).toBe('cents'));
});

describe('a sheet that is gone through', () => {
  it('asks for its skills on its kinds at its level, sends the tries as its own, and then leaves one to oneself', async () => {
    const sheet = {
      ...{ id: '0190f3a0-0000-7000-8000-0000000000aa', title: 'Ways round', madeBy: CORIN, madeAt: '2026-05-26T08:00:00.000Z' },
      ...{ skills: ['winding-side', 'order'] as Skill[], kinds: ['mandolin'], level: 3, each: 1, within: 1, people: [] },
    };
    await TestBed.inject(BenchDatabase).keptSheets.put({ personId: CORIN.id, sheets: [sheet] });
    away = true;
    page = await BenchPage.open(PracticePlace, { sheet: sheet.id });
    await vi.waitFor(() => expect(run().now()?.skill).toBe('winding-side'));
    await page.settle();
    expect(run().now()?.level).toBe(3);
    expect(run().exercise('winding-side')?.kind).toBe('mandolin');
    expect(page.text).toContain('0 of 2');
    await press('1');
    await vi.waitFor(() => expect(run().ofSheet()?.done).toBe(1));
    expect(run().next()).toBe('order');
    await press(' ');
    await press('1');
    await vi.waitFor(() => expect(run().ofSheet()).toEqual({ title: 'Ways round', done: 2, all: 2 }));
    expect(run().sheetAsks()).toBe(false);
    run().begin('winding-side');
    expect(run().now()).toMatchObject({ sheetId: null, level: 0 });
    const kept = await TestBed.inject(BenchDatabase).tries.toArray();
    expect(kept.map(({ draft }) => draft?.sheetId)).toEqual([sheet.id, sheet.id]);
  });
});

describe('what was practised', () => {
  it('is kept on the device while the server is away, and sent when it is there', async () => {
    away = true;
    await open();
    run().begin('nylon', 5, 1);
    await page.settle();
    await press(' ');
    await vi.waitFor(() => expect(log().waiting()).toBe(1));
    await page.settle();
    expect(page.text).toContain('1 kept on this device');
    expect((await TestBed.inject(BenchDatabase).tries.toArray()).map(({ skill }) => skill)).toEqual(['nylon']);
    away = false; // and nothing tells the page so: it tries again by itself
    await vi.waitFor(() => expect(sent.flatMap(({ tries }) => tries)).toHaveLength(1), { timeout: 10_000 });
    await vi.waitFor(() => expect(log().waiting()).toBe(0));
  });

  it('goes to the server one by one where that will not have them together: one holds up no other, and stays on the device', async () => {
    away = true;
    await open();
    for (const seed of [5, 6, 7]) {
      run().begin('nylon', seed, 1);
      await page.settle();
      await press(' ');
    }
    await vi.waitFor(() => expect(log().waiting()).toBe(3));
    const [, second] = await TestBed.inject(BenchDatabase).tries.orderBy('at').toArray();
    unwanted = new Set([second?.id ?? '']);
    away = false;
    log().again();
    await vi.waitFor(() => expect(kept).toHaveLength(2), { timeout: 10_000 });
    await vi.waitFor(() => expect(log().trouble()).toBe('seed must be a whole number'));
    expect(log().waiting()).toBe(1);
    expect(await TestBed.inject(BenchDatabase).tries.count()).toBe(3);
    // one more that goes through says nothing of the one that was refused: why stands until it is tried again
    run().begin('nylon', 8, 1);
    await page.settle();
    await press(' ');
    await vi.waitFor(() => expect(kept).toHaveLength(3));
    await page.settle();
    expect(log().trouble()).toBe('seed must be a whole number');
    unwanted = new Set();
    log().again();
    await vi.waitFor(() => expect([log().waiting(), log().trouble()]).toEqual([0, null]));
  });

  it('is that of the person at the bench alone', async () => {
    const theirs = {
      id: 'x',
      personId: 'somebody-else',
      skill: 'cents',
      at: '2026-05-01T09:00:00.000Z',
      seed: 1,
      level: 0,
      off: 9,
      good: false,
      sheetId: null,
      draft: null,
    } as const;
    await TestBed.inject(BenchDatabase).tries.put(theirs);
    await open();
    expect(log().tries()).toEqual([]);
    expect(page.text).not.toContain('1 tried');
  });
});
