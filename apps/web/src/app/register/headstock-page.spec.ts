import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { fromInstrument, type Geometry } from '@gold-peg/contract/register';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { BenchPage } from '../testing/bench-page';
import { HeadstockPage, inWords } from './headstock-page';

const id = '01900000-0000-7000-8000-00000000000b';

describe('a headstock being measured', () => {
  let page: BenchPage<HeadstockPage>;
  const sent: { version: number; geometry: Geometry }[] = [];

  /** The server at the far end of the wire: it knows one passport, and takes down what is sent to it. */
  const open = async (kind: string) => {
    const passport = {
      ...{
        id,
        passport: 109,
        name: 'A bass',
        facts: kind,
        family: instrumentOf(kind).family,
        scaleMm: 864,
        stringCount: 4,
        version: 3,
        remark: '',
      },
      ...{ ownerId: null, ownerName: null, currentSet: null, fittedAt: null, openJobId: null, current: null, setups: [], methods: {} },
      geometry: fromInstrument(instrumentOf(kind)),
    };
    vi.stubGlobal('fetch', (_url: string, { body }: RequestInit) => {
      if (typeof body === 'string') sent.push(JSON.parse(body) as (typeof sent)[number]);
      return Promise.resolve(new Response(JSON.stringify(passport), { status: 200, headers: { 'content-type': 'application/json' } }));
    });
    page = await BenchPage.open(HeadstockPage, { id });
  };
  const kept = () => sent.at(-1);
  const posts = () => [...page.element.querySelectorAll('[data-post]')].map((post) => Number(post.getAttribute('data-x')));

  beforeEach(() => {
    sent.length = 0;
    TestBed.configureTestingModule({ providers: [provideRouter([{ path: '**', children: [] }])] });
  });

  afterEach(() => vi.unstubAllGlobals());

  it('shows where every post stands, to a tenth of a millimetre, with turns and angle that follow from it', async () => {
    await open('bass-in-line');
    expect(page.field('String 1, along, mm').value).toBe('175');
    expect(page.field('String 2, sideways, mm').value).toBe('1.3'); // a third of the way between 31 mm of slots, and half a post
    expect(page.text).toMatch(/3\.0, 4\.\d°/); // the string that no tree helps
  });

  it('moves a post that is typed, in the picture and in what is kept, and leaves the others exactly as they were', async () => {
    await open('bass-in-line');
    const before = posts();
    await page.type('String 1, along, mm', '160');
    expect(posts()[0]).toBeGreaterThan((before[0] ?? 0) + 10); // nearer to the nut, which lies to the right
    expect(posts().slice(1)).toEqual(before.slice(1));
    await page.press('Keep these measures');
    const geometry = fromInstrument(instrumentOf('bass-in-line'));
    expect(kept()?.version).toBe(3);
    expect(kept()?.geometry.strings[0]?.post.alongMm).toBe(160);
    expect(kept()?.geometry.strings.slice(1)).toEqual(geometry.strings.slice(1));
  });

  it('says what cannot be, keeps drawing what was sound, and keeps nothing', async () => {
    await open('bass-in-line');
    const before = posts();
    await page.type('String 3, along, mm', '136');
    await page.type('String 3, sideways, mm', '1');
    expect(page.alert()).toContain('String 3, from the nut, would put it into the post of string 2');
    expect(posts()[1]).toBe(before[1]);
    expect(page.button('Keep these measures').disabled).toBe(true);
    await page.press('as it was');
    expect(page.alert()).toBe('');
    expect(page.field('String 3, along, mm').value).toBe('97');
  });

  it('adds a retainer bar over all strings, and takes a tree away', async () => {
    await open('bass-in-line');
    await page.press('take away');
    await page.press('add a retainer bar');
    await page.type('Tree 1, drop, mm', '5');
    await page.press('Keep these measures');
    expect(kept()?.geometry.trees).toEqual([{ kind: 'bar', alongMm: 20, dropMm: 5, strings: [0, 1, 2, 3] }]);
  });

  it('helps with lengths of a rule where posts stand in rows, and not where there are none', async () => {
    await open('acoustic-parlour');
    expect(page.field('nut to first post, bass side, mm').value).toBe('50');
    expect(page.field('first to last post, treble side, mm').value).toBe('84');
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideRouter([])] });
    await open('electric-headless');
    expect(page.text).not.toContain('Measuring help');
  });

  it('names a field as the page does', () => {
    expect(inWords(['strings', '2', 'post', 'alongMm'])).toBe('String 3, from the nut,');
    expect(inWords(['trees', '0', 'dropMm'])).toBe('Tree 1, drop,');
    expect(inWords(['headstock', 'angleDeg'])).toBe('Headstock angle');
  });
});
