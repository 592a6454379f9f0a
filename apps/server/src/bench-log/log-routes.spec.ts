import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LogLine } from '@gold-peg/contract/bench-log';
import { BenchEventRow } from '../store/index.js';
import { eventHead, openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

let house: TestHouse;
let technician: Visitor;
let all: number;
beforeAll(async () => {
  house = await openHouse();
  technician = await house.visitor().signIn('technician');
  const job = await technician.job(104);
  const text = '=HYPERLINK("http://quillhaven.example")';
  await technician.ask('POST', '/api/events', { events: [{ ...eventHead(job, technician.personId), kind: 'noted', payload: { text } }] });
  all = await house.store.getRepository(BenchEventRow).count();
});
afterAll(() => house.close());

const page = async (query: string) => (await technician.ask('GET', `/api/log?${query}`)).body as { lines: LogLine[]; next: number | null };
const json = async (query = '') => (await technician.ask('GET', `/api/log.json?${query}`)).body as LogLine[];

describe('the whole log', () => {
  it('is read from the latest back, page by page, each event once', async () => {
    const seen: number[] = [];
    for (let next: number | null | undefined = undefined; next !== null;) {
      const part = await page(`limit=200${next === undefined ? '' : `&before=${next}`}`);
      seen.push(...part.lines.map(({ seq }) => seq));
      next = part.next;
    }
    expect(seen.length).toBe(all);
    expect(seen).toEqual([...seen].sort((a, b) => b - a));
  });

  it.each([
    ['passport=117', ({ passport }: LogLine) => passport === 117],
    ['kind=wound', ({ kind }: LogLine) => kind === 'wound'],
    ['passport=117&kind=found', ({ passport, kind }: LogLine) => passport === 117 && kind === 'found'],
  ])('is filtered by %s: all of those and nothing else', async (query, is) => {
    const [found, whole] = [await json(query), await json()];
    expect(found.length).toBeGreaterThan(0);
    expect(found).toEqual(whole.filter(is));
  });

  it('is filtered by person and by when it was stored', async () => {
    const [mine, [last]] = [await json(`person=${technician.personId}`), (await page('limit=1')).lines];
    expect(mine.length).toBe(all);
    expect(await json(`from=${last?.storedAt}`)).toEqual([last]);
    expect((await json(`to=${last?.storedAt}`)).length).toBe(all - 1);
    expect(await json('from=2100-01-01T00:00:00Z')).toEqual([]);
    const { status, body } = await technician.ask('GET', '/api/log?kind=never-heard-of');
    expect([status, body.detail]).toEqual([422, expect.stringContaining('kind must be a kind of event')]);
  });

  it('is a table that reads back to the same, and no cell of it is a formula', async () => {
    const { body, type } = await technician.ask('GET', '/api/log.csv');
    expect(type).toContain('text/csv');
    const { data, errors } = Papa.parse<Record<keyof LogLine, string>>((body as string).trimEnd(), { header: true });
    expect(errors).toEqual([]);
    const lines = await json();
    expect(data.length).toBe(lines.length);
    data.forEach((row, nth) =>
      expect([row.seq, row.kind, JSON.parse(row.payload)]).toEqual([String(lines[nth]?.seq), lines[nth]?.kind, lines[nth]?.payload]),
    );
    for (const row of data) for (const cell of Object.values(row)) expect(cell).not.toMatch(/^[=+\-@\t]/);
  });

  it('has a cell that would be a formula made harmless', async () => {
    const { writeLogRows } = await import('@gold-peg/contract/sheets');
    const line = { ...(await json())[0], instrument: '=1+1' } as LogLine;
    expect(writeLogRows([line])).toContain("'=1+1");
  });

  it('is filtered by time where lines lie a little out of their order, as transactions that waited leave them: all of them, and no other', async () => {
    const began = Date.parse('2026-01-01T00:00:00Z');
    // one every ten minutes, each third half an hour before its neighbours
    await house.store.query(
      `UPDATE bench_event SET stored_at = $1::timestamptz + seq * interval '10 minutes' - (seq % 3 = 0)::int * interval '30 minutes'`,
      [new Date(began)],
    );
    const whole = await json();
    const at = (share: number) => new Date(began + share * whole.length * 600_000).toISOString();
    for (const [from, to] of [
      [0, 0.02],
      [0.3, 0.31],
      [0.5, 0.9],
      [0.99, 2],
    ] as const) {
      const within = whole.filter(({ storedAt }) => storedAt >= at(from) && storedAt < at(to));
      expect(within.length).toBeGreaterThan(0);
      expect(await json(`from=${at(from)}&to=${at(to)}`)).toEqual(within);
      expect((await page(`from=${at(from)}&to=${at(to)}&limit=5`)).lines).toEqual(within.toReversed().slice(0, 5));
    }
  });
});
