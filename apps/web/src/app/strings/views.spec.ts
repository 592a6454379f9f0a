import { TestBed } from '@angular/core/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { problem } from '@gold-peg/contract/problems';
import type { StockItem, StockList } from '@gold-peg/contract/stock';
import { fromSet, fromTableString, type StringTableFile } from '@gold-peg/contract/strings';
import { LINES, SETS, STRINGS } from '@gold-peg/craft/strings';
import { TUNINGS } from '@gold-peg/craft/tuning';
import { BenchDatabase } from '../bench-log/bench-database';
import { Shelf } from '../shelf/shelf';
import { StringTable } from '../string-table/string-table';
import { BenchPage } from '../testing/bench-page';
import { FilesView } from '../files';
import { IdentifyView } from './identify/identify-view';
import { SetsView } from './sets/sets-view';
import { ShelfView } from './shelf/shelf-view';
import { TableView } from './table/table-view';
import { TuningsView } from './tunings/tunings-view';

const houseTable = (): StringTableFile => ({
  lines: [...LINES],
  strings: STRINGS.map((string) => ({ ...fromTableString(string), version: 1 })),
  sets: SETS.map((set) => ({ ...fromSet(set), version: 1 })),
  tunings: TUNINGS.map(({ families, notes, ...rest }) => ({ ...rest, families: [...families], notes: [...notes] })),
});
const item = (more: Partial<StockItem>): StockItem => ({
  kind: 'set',
  id: 'electric-nickel-10-13-17-26w-36w-46w',
  onHand: 4,
  reserved: 1,
  onOrder: 0,
  reorderAt: 2,
  reorderTo: 6,
  shelf: 'drawer 2',
  countedAt: '2026-05-26T07:30:00Z',
  ...more,
});

/** The wire is stood in for; what was sent is kept, and the next answers are told beforehand. */
class FarEnd {
  readonly sent: { method: string; url: string; body: unknown }[] = [];
  readonly answers: { status: number; body: unknown }[] = [];

  readonly fetch = (url: string, init: RequestInit): Promise<Response> => {
    this.sent.push({ method: init.method ?? '', url, body: init.body === undefined ? undefined : JSON.parse(String(init.body)) });
    const { status, body } = this.answers.shift() ?? { status: 503, body: problem('store-away', 'gone') };
    return Promise.resolve(new Response(JSON.stringify(body), { status }));
  };

  answer(body: unknown, status = 200): void {
    this.answers.push({ status, body });
  }
}

let far: FarEnd;
beforeEach(() => {
  far = new FarEnd();
  vi.stubGlobal('fetch', far.fetch);
  TestBed.inject(StringTable).file.set(houseTable());
  TestBed.inject(Shelf).list.set({
    items: [item({}), item({ id: 'electric-stainless-9-11-16-24w-32w-42w', onHand: 1, reserved: 0 })],
    moves: [],
    orders: [],
    supplier: 'A supplier',
  });
});
afterEach(() => {
  const database = TestBed.inject(BenchDatabase);
  TestBed.resetTestingModule();
  database.close();
  vi.unstubAllGlobals();
});

describe('the table', () => {
  it('is searched by words, and says how many it found', async () => {
    const page = await BenchPage.open(TableView);
    expect(page.text).toContain(`${STRINGS.length} strings`);
    await page.type('Find', '.105 flat');
    expect(page.text).toContain('1 strings');
    await page.type('Find', 'spider silk');
    expect(page.text).toContain('No string of the table matches.');
  });

  it('shows what a string is computed from, and keeps what an offcut weighs', async () => {
    const page = await BenchPage.open(TableView);
    await page.type('Find', 'electric-nickel-46');
    await page.press('.046');
    expect(page.text).toContain('0.45 mm, usual for the gauge'); // .0179 in
    await page.type('mass, g', '1.05');
    await page.press('Keep');
    expect(page.alert()).toContain('Mass and length go together');
    await page.type('length, mm', '150');
    const row = houseTable().strings.find(({ id }) => id === 'electric-nickel-46');
    const kept = { ...row, version: 2, weighed: { massG: 1.05, lengthMm: 150 } };
    far.answer(kept);
    far.answer({ ...houseTable(), strings: houseTable().strings.map((string) => (string.id === kept.id ? kept : string)) });
    await page.press('Keep');
    await page.until(() => {
      expect(page.text).toContain('an offcut of 150 mm that weighed 1.05 g');
      expect(page.text).toContain('Kept.');
    });
    expect(far.sent[0]).toMatchObject({ method: 'PUT', body: { version: 1, weighed: { massG: 1.05, lengthMm: 150 } } });
    expect(page.text).toContain('7.000 g/m');
  });
});

describe('a string that two people weigh', () => {
  it('shows both weights, loses nothing that was typed, and keeps it on top when asked to', async () => {
    const page = await BenchPage.open(TableView);
    await page.type('Find', 'electric-nickel-46');
    await page.press('.046');
    await page.type('mass, g', '1.05');
    await page.type('length, mm', '150');
    const row = houseTable().strings.find(({ id }) => id === 'electric-nickel-46');
    const theirs = { ...row, version: 2, weighed: { massG: 1.1, lengthMm: 160 } };
    far.answer({ ...problem('stale', 'Somebody was quicker.'), current: theirs }, 409);
    await page.press('Keep');
    await page.until(() => expect(page.text).toMatch(/weighed\s*1\.1 g, 160 mm\s*1\.05 g, 150 mm/));
    expect(page.field('mass, g').value).toBe('1.05');
    expect(document.activeElement?.textContent).toContain('keep mine on top'); // so that Enter does
    far.answer({ ...theirs, version: 3, weighed: { massG: 1.05, lengthMm: 150 } });
    far.answer(houseTable());
    await page.press('keep mine on top');
    await page.until(() => expect(page.text).toContain('Kept.'));
    expect(far.sent[1]?.body).toMatchObject({ version: 2, weighed: { massG: 1.05, lengthMm: 150 } });
  });
});

describe('another gauge of a line', () => {
  it('is added with the same make-up, unweighed and unmarked', async () => {
    const page = await BenchPage.open(TableView);
    await page.type('Find', 'electric-nickel-46');
    await page.press('.046');
    await page.type('thousandths of an inch', '47');
    const row = houseTable().strings.find(({ id }) => id === 'electric-nickel-46');
    far.answer({ ...row, id: 'electric-nickel-47', gaugeMm: 1.1938, version: 1 }, 201);
    far.answer(houseTable());
    await page.press('add it to the table');
    await page.until(() => expect(page.text).toContain('.047 is in the table.'));
    expect(far.sent[0]).toMatchObject({
      method: 'POST',
      url: '/api/strings',
      body: { id: 'electric-nickel-47', gaugeMm: 1.1938, wrap: 'nickelPlatedSteel', weighed: null, mark: null },
    });
  });

  it('that cannot be is refused, and what was typed stays', async () => {
    const page = await BenchPage.open(TableView);
    await page.type('Find', 'electric-nickel-46');
    await page.press('.046');
    await page.type('thousandths of an inch', '460');
    far.answer(problem('invalid', 'gaugeMm must lie between 0.127 and 4.572 mm'), 422);
    await page.press('add it to the table');
    await page.until(() => expect(page.alert()).toContain('gaugeMm must lie between'));
    expect(page.field('thousandths of an inch').value).toBe('460');
  });
});

describe('sets', () => {
  it('say what is easily confused, and what lies on the shelf', async () => {
    const page = await BenchPage.open(SetsView);
    const row = [...page.element.querySelectorAll('tr')].find(({ textContent }) => textContent.includes('.010–.046 nickel-plated steel'));
    expect(row?.textContent).toContain('4 on the shelf, 1 reserved');
    expect(row?.textContent).not.toContain('differ by'); // a caliper tells .003 apart
  });

  it('are made from a list of gauges: an id from its line, a name from its ends', async () => {
    const page = await BenchPage.open(SetsView);
    await page.type('gauges from string 1 on, w for wound', '9.5 12 16 24w 34w 99w');
    await page.submit();
    expect(page.text).toContain('“99w” is not in the line');
    expect(far.sent).toEqual([]);
    await page.type('gauges from string 1 on, w for wound', '9.5 12 16 24w 34w 44w');
    const set = {
      id: 'house-electric-nickel-9_5-12-16-24w-34w-44w',
      lineId: 'electric-nickel',
      name: '.0095–.044 nickel-plated steel',
      family: 'electric',
    };
    far.answer({ ...set, stringIds: ['electric-plain-10'], version: 1 }, 201);
    far.answer(houseTable());
    await page.submit();
    await page.until(() => expect(page.text).toContain('.0095–.044 nickel-plated steel is in the table.'));
    expect(far.sent[0]?.body).toMatchObject(set);
  });

  it('that are there already are refused with what the server says', async () => {
    const page = await BenchPage.open(SetsView);
    await page.type('gauges from string 1 on, w for wound', '10 13 17');
    far.answer(problem('taken', 'That id is already in the table.'), 409);
    await page.submit();
    await page.until(() => expect(page.alert()).toBe('That id is already in the table.'));
    expect(page.field('gauges from string 1 on, w for wound').value).toBe('10 13 17');
  });
});

describe('tunings', () => {
  it('say what a set would do in each: the total falls with the notes', async () => {
    const page = await BenchPage.open(TuningsView);
    const total = (name: string) => {
      const nameOf = (row: Element) => row.querySelector('.mat-column-name')?.textContent;
      const row = [...page.element.querySelectorAll('tbody tr')].find((each) => nameOf(each) === name);
      return Number.parseFloat(row?.querySelector('.n')?.textContent ?? '');
    };
    expect(total('E A D G B E')).toBeGreaterThan(total('D G C F A D'));
    // a whole tone on every string: 2^(−4/12)
    expect(total('D G C F A D') / total('E A D G B E')).toBeCloseTo(0.794, 2);
    expect(page.element.querySelector('tbody .mat-column-name')?.textContent).toBe('E A D G B E');
  });
});

describe('the shelf', () => {
  it('names what runs low, and orders it', async () => {
    const page = await BenchPage.open(ShelfView);
    expect(page.text).toContain('▲ .009–.042 stainless');
    const order = {
      id: 'o',
      supplier: 'the boat',
      reference: 'r-1',
      placedAt: new Date().toISOString(),
      promisedAt: new Date(Date.now() + 60_000).toISOString(),
      deliveredAt: null,
    };
    const lines = [{ kind: 'set', id: 'electric-stainless-9-11-16-24w-32w-42w', amount: 5 }];
    far.answer({ ...order, lines }, 201);
    far.answer({ items: [item({})], moves: [], orders: [{ ...order, lines }], supplier: order.supplier } as StockList);
    await page.press('Order 1 running low');
    await page.until(() => expect(page.text).toContain('5 pieces on the way, in about 1 min'));
    expect(far.sent[0]?.body).toEqual({ id: expect.stringMatching(/^[0-9a-f-]{36}$/) as string, lines });
  });

  it('takes a count down, and says which number cannot be', async () => {
    const page = await BenchPage.open(ShelfView);
    await page.press('Count .010–.046 nickel-plated steel');
    expect(page.field('lie there').value).toBe('4');
    await page.type('lie there', '-3');
    await page.submit();
    expect(page.alert()).toContain('What lies there must lie between 0 and 9999');
    expect(far.sent).toEqual([]);
    expect(page.field('lie there').value).toBe('-3');
    await page.type('lie there', '3');
    const says = 'must have at most 60 characters';
    far.answer(problem('invalid', `shelf ${says}`, [{ field: 'shelf', says }]), 422);
    await page.submit();
    await page.until(() => expect(page.text).toContain('Where must have at most 60 characters'));
    expect(far.sent[0]?.body).toMatchObject({ kind: 'set', counted: 3 });
  });

  it('is searched by name, line and drawer', async () => {
    const page = await BenchPage.open(ShelfView);
    await page.type('Find', 'drawer 2');
    expect(page.element.querySelectorAll('tbody tr').length).toBe(2);
    await page.type('Find', 'stainless round');
    expect(page.element.querySelectorAll('tbody tr').length).toBe(1);
  });
});

describe('what is on it', () => {
  const read = async (page: BenchPage<IdentifyView>, ...mm: number[]) => {
    for (const [index, reads] of mm.entries()) await page.type(`Reading of string ${index + 1}`, String(reads));
  };

  it('is told from readings, the caliper’s own zero taken off', async () => {
    const page = await BenchPage.open(IdentifyView);
    expect(page.text).toContain('Type what the caliper reads');
    await page.type('closed, the caliper reads', '0.03');
    await read(page, 0.284, 0.36, 0.462, 0.69, 0.944, 1.198);
    expect(page.element.querySelector('li')?.textContent).toContain('.010–.046');
    expect(page.text).toContain('.010 · 0.254 mm');
  });

  it('cannot tell sets of the same gauges apart, and says where to look instead', async () => {
    const page = await BenchPage.open(IdentifyView);
    await read(page, 0.254, 0.33, 0.432);
    expect(page.text).toContain('look at the colour of the wrap and at the marks');
  });

  it('refuses a reading that no string has, and asks for the unit', async () => {
    const page = await BenchPage.open(IdentifyView);
    await read(page, 10);
    expect(page.alert()).toContain('String 1 must read between 0.12 and 4.6 mm');
    expect(page.alert()).toContain('Is the unit right?');
  });
});

describe('files', () => {
  const pick = async (page: BenchPage<FilesView>, name: string, text: string) => {
    const input = page.element.querySelector<HTMLInputElement>('input[type=file]');
    if (input === null) throw new Error('no field for a file');
    const transfer = new DataTransfer();
    transfer.items.add(new File([text], name));
    input.files = transfer.files;
    input.dispatchEvent(new Event('change'));
    await page.until(() => expect(far.sent.length).toBeGreaterThan(0));
  };

  it('are looked over first, and written only when that is asked', async () => {
    const page = await BenchPage.open(FilesView, { kinds: ['strings', 'sets', 'stock'] });
    const found = { rows: 3, added: 1, changed: 1, same: 1, problems: [] };
    far.answer({ ...found, written: false });
    await pick(page, 'ours.json', '{}');
    expect(far.sent[0]?.body).toEqual({ kind: 'strings', format: 'json', text: '{}', write: false });
    await page.until(() => expect(page.text).toContain('ours.json: 3 rows, 1 new, 1 changed, 1 as they are.'));
    far.answer({ ...found, written: true });
    const written = vi.fn();
    page.instance.written.subscribe(written);
    await page.press('Write 2 rows');
    await page.until(() => expect(page.text).toContain('✓ written'));
    expect(far.sent[1]?.body).toMatchObject({ write: true });
    expect(written).toHaveBeenCalledOnce();
  });

  it('of owners are cards, too, by the ending of their name', async () => {
    const page = await BenchPage.open(FilesView, { kinds: ['owners'] });
    expect(page.button('as vCard').disabled).toBe(false);
    far.answer({ rows: 1, added: 1, changed: 0, same: 0, written: false, problems: [] });
    await pick(page, 'owners.vcf', 'BEGIN:VCARD');
    expect(far.sent[0]?.body).toEqual({ kind: 'owners', format: 'vcf', text: 'BEGIN:VCARD', write: false });
  });

  it('with faults are shown row by row, and cannot be written', async () => {
    const page = await BenchPage.open(FilesView, { kinds: ['strings', 'sets', 'stock'] });
    const problems = [{ row: 4, column: 'gauge_mm', says: 'must lie between 0.127 and 4.572 mm' }];
    far.answer({ rows: 0, added: 0, changed: 0, same: 0, written: false, problems });
    await pick(page, 'ours.csv', 'id\n');
    await page.until(() => expect(page.text).toContain('ours.csv has 1 fault. Nothing was written'));
    expect([...page.element.querySelectorAll('td')].map(({ textContent }) => textContent)).toEqual([
      '4',
      'gauge_mm',
      'must lie between 0.127 and 4.572 mm',
    ]);
    expect(() => page.button('Write')).toThrow();
  });

  it('say so when the server is away', async () => {
    const page = await BenchPage.open(FilesView, { kinds: ['strings', 'sets', 'stock'] });
    await pick(page, 'ours.csv', 'id\n');
    await page.until(() => expect(page.alert()).not.toBe(''));
  });
});
