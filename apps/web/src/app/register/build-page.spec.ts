import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { fromInstrument, type Geometry } from '@gold-peg/contract/register';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { BenchPage } from '../testing/bench-page';
import { inWords, type Part } from '../build';
import { BuildPage } from './build-page';

const id = '01900000-0000-7000-8000-00000000000b';

/** Where the second post stands between the first and the last, whatever the width of the picture. */
const secondOf = (posts: readonly number[]): number => ((posts[1] ?? 0) - (posts[0] ?? 0)) / ((posts.at(-1) ?? 0) - (posts[0] ?? 0));

describe('an instrument that is measured and made of its parts', () => {
  let page: BenchPage<BuildPage>;
  const sent: { version: number; geometry: Geometry }[] = [];

  /** The server at the far end of the wire: it knows one passport, and takes down what is sent to it. */
  const open = async (kind: string, part: Part = 'posts') => {
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
        archetypeId: kind,
      },
      ...{ ownerId: null, ownerName: null, currentSet: null, fittedAt: null, openJobId: null, current: null, setups: [], methods: {} },
      geometry: fromInstrument(instrumentOf(kind)),
    };
    vi.stubGlobal('fetch', (_url: string, { body }: RequestInit) => {
      if (typeof body === 'string') sent.push(JSON.parse(body) as (typeof sent)[number]);
      return Promise.resolve(new Response(JSON.stringify(passport), { status: 200, headers: { 'content-type': 'application/json' } }));
    });
    page = await BenchPage.open(BuildPage, { id, part });
    await new Promise(requestAnimationFrame); // the picture is as wide as its place once that was laid out
    await page.settle();
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
    // a picture may be a little narrower meanwhile: the others stand to one another as before
    expect(secondOf(posts().slice(1))).toBeCloseTo(secondOf(before.slice(1)), 9);
    await page.press('Keep it so');
    const geometry = fromInstrument(instrumentOf('bass-in-line'));
    expect(kept()?.version).toBe(3);
    expect(kept()?.geometry.strings[0]?.post.alongMm).toBe(160);
    expect(kept()?.geometry.strings.slice(1)).toEqual(geometry.strings.slice(1));
  });

  it('says what cannot be, keeps drawing what was sound, and keeps nothing', async () => {
    await open('bass-in-line');
    const before = secondOf(posts());
    await page.type('String 3, along, mm', '136');
    await page.type('String 3, sideways, mm', '1');
    expect(page.alert()).toContain('String 3, from the nut, would put it into the post of string 2');
    expect(secondOf(posts())).toBeCloseTo(before, 9);
    expect(page.button('Keep it so').disabled).toBe(true);
    // said at its field as well, and at no other
    expect(page.field('String 3, along, mm').getAttribute('aria-invalid')).toBe('true');
    expect(page.field('String 2, along, mm').getAttribute('aria-invalid')).toBe('false');
    await page.press('as it was');
    expect(page.alert()).toBe('');
    expect(page.field('String 3, along, mm').value).toBe('97');
    expect(page.field('String 3, along, mm').getAttribute('aria-invalid')).toBe('false');
  });

  it('adds a retainer bar over all strings, and takes a tree away', async () => {
    await open('bass-in-line', 'head');
    await page.press('take away');
    await page.press('add a retainer bar');
    await page.type('Tree 1, drop, mm', '5');
    await page.press('Keep it so');
    expect(kept()?.geometry.trees).toEqual([{ kind: 'bar', alongMm: 20, dropMm: 5, strings: [0, 1, 2, 3] }]);
  });

  it('helps with lengths of a rule where posts stand in rows, and not where there are none', async () => {
    await open('acoustic-parlour');
    expect(page.field('nut to first post, bass side, mm').value).toBe('50');
    expect(page.field('first to last post, treble side, mm').value).toBe('84');
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideRouter([])] });
    await open('electric-headless');
    expect(page.text).not.toContain('From a rule');
  });

  it('remembers what was measured, and says what the rest would sharpen', async () => {
    await open('bass-in-line');
    expect(page.text).toMatch(/thickness of the posts\s*slack \d+ mm, may be \d+ to \d+ \(string \d\)/);
    await page.type('String 2, diameter, mm', '9.5');
    expect(page.text).not.toContain('thickness of the posts');
    await page.press('measured: it is so');
    await page.press('Keep it so');
    const measured = kept()?.geometry.measured ?? [];
    expect(measured).toHaveLength(2);
    expect(measured).toContain('thickness');
  });

  it('takes another finish and says at once what lies on the top instead of tape', async () => {
    await open('electric-seven', 'bridge');
    expect(page.text).toContain('Cloth or tape behind the bridge.');
    await page.choose('top', 'old soft lacquer');
    await page.choose('board', 'ebony');
    expect(page.text).toContain('never tape');
    expect(page.text).toContain('Ebony needs little');
    await page.press('Keep it so');
    expect(kept()?.geometry).toMatchObject({ top: 'soft-lacquer', board: 'ebony' });
  });

  it('makes courses more, fewer and double on an instrument that nobody worked on yet', async () => {
    await open('bass-in-line', 'strings');
    await page.press('one course more');
    expect(page.field('Note of string 5').value).toBe('B0'); // a fourth under E1
    await page.press('Course 1: double');
    expect([1, 2].map((string) => page.field(`Note of string ${string}`).value)).toEqual(['G2', 'G2']);
    await page.press('one course less');
    await page.press('Keep it so');
    expect(kept()?.geometry.strings.map(({ note, course }) => `${course} ${note}`)).toEqual(['1 G2', '1 G2', '2 D2', '3 A1', '4 E1']);
    expect(kept()?.geometry.measured).toEqual([]);
  });

  it('retunes a string by what is typed, and refuses what is no note', async () => {
    await open('bass-in-line', 'strings');
    await page.type('Note of string 4', 'Db1');
    await page.press('Keep it so');
    expect(kept()?.geometry.strings[3]?.note).toBe('D♭1');
    await page.type('Note of string 4', 'H1');
    expect(page.alert()).toContain('String 4');
    expect(page.button('Keep it so').disabled).toBe(true);
  });

  it('names a field as the page does', () => {
    expect(inWords(['strings', '2', 'post', 'alongMm'])).toBe('String 3, from the nut,');
    expect(inWords(['trees', '0', 'dropMm'])).toBe('Tree 1, drop,');
    expect(inWords(['headstock', 'angleDeg'])).toBe('Headstock angle');
  });
});
