import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { StringRow, StringTableFile } from '@gold-peg/contract/strings';
import { SETS, STRINGS } from '@gold-peg/craft/strings';
import { TUNINGS } from '@gold-peg/craft/tuning';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';
import { fillTables } from './fill-tables.js';

let house: TestHouse;
let bench: Visitor;
beforeAll(async () => {
  house = await openHouse();
  bench = await house.visitor().signIn('technician');
});
afterAll(() => house.close());

const table = async () => (await bench.ask('GET', '/api/strings')).body as StringTableFile;
const row = async (id: string) => (await table()).strings.find((string) => string.id === id);
const plain = (more: Partial<StringRow>): StringRow => ({
  id: 'house-plain-12',
  lineId: 'electric-plain',
  family: 'electric',
  construction: 'plain',
  gaugeMm: 0.3048,
  wrap: null,
  finish: null,
  layers: null,
  silk: false,
  coreShape: null,
  coreMm: null,
  end: 'ball',
  coating: 'bare',
  mark: null,
  weighed: null,
  ...more,
});

describe('the strings table', () => {
  it('begins with everything that is built in, and with the lines of the demo and their marks', async () => {
    const { lines, strings, sets, tunings } = await table();
    expect(strings.length).toBeGreaterThan(STRINGS.length);
    expect(sets.length).toBeGreaterThan(SETS.length);
    expect(tunings.length).toBe(TUNINGS.length);
    const marked = strings.filter(({ mark }) => mark !== null);
    expect(new Set(marked.map(({ lineId }) => lineId)).size).toBe(4);
    expect(lines.map(({ name }) => name)).toContain('Saltmarsh Bronze');
    const known = new Set(strings.map(({ id }) => id));
    for (const { stringIds } of sets) for (const id of stringIds) expect(known.has(id)).toBe(true);
  });

  it('keeps what somebody weighed when the house opens again', async () => {
    const before = await row('electric-plain-10');
    if (before === undefined) throw new Error('no .010');
    const weighed = { massG: 0.0594, lengthMm: 150 };
    const { status, body } = await bench.ask('PUT', '/api/strings/electric-plain-10', { ...before, weighed });
    expect(status).toBe(200);
    expect(body).toMatchObject({ version: before.version + 1, weighed });
    await fillTables(house.store);
    expect((await row('electric-plain-10'))?.weighed).toEqual(weighed);
  });

  it('refuses a weighing that cannot be of this string, and says how far off it is', async () => {
    const before = await row('electric-plain-13');
    const { status, body } = await bench.ask('PUT', '/api/strings/electric-plain-13', { ...before, weighed: { massG: 5, lengthMm: 100 } });
    expect(status).toBe(422);
    expect(body.detail).toMatch(/weighed must be near what the gauge gives: this is \d+\.\d\d times as heavy/);
  });

  it('refuses a change of what somebody else changed meanwhile, with the row as it is', async () => {
    const before = await row('electric-plain-11');
    if (before === undefined) throw new Error('no .011');
    await bench.ask('PUT', '/api/strings/electric-plain-11', { ...before, mark: 'moss' });
    const { status, body } = await bench.ask('PUT', '/api/strings/electric-plain-11', { ...before, mark: 'rust' });
    expect(status).toBe(409);
    expect(body.current).toMatchObject({ mark: 'moss', version: before.version + 1 });
  });

  it.each([
    ['a wound string without a wrap', { construction: 'wound' as const }, /wrap must be given/],
    ['a plain string with a core', { coreMm: 0.2 }, /coreMm must be empty/],
    [
      'a core as thick as the string',
      { construction: 'wound' as const, wrap: 'pureNickel' as const, gaugeMm: 0.6, coreMm: 0.6 },
      /coreMm must leave room/,
    ],
    ['a gauge nobody makes', { gaugeMm: 12 }, /gaugeMm must lie between 0.127 and 4.572 mm/],
    ['a line that is not there', { lineId: 'nobody' }, /lineId must be a line of the table/],
    ['an id with a space', { id: 'a b' }, /id must be an id of small letters/],
  ])('refuses %s', async (_what, more, says) => {
    const { status, body } = await bench.ask('POST', '/api/strings', plain(more));
    expect(status).toBe(422);
    expect(body.detail).toMatch(says);
  });

  it('takes a new string, and a set of it, once', async () => {
    expect((await bench.ask('POST', '/api/strings', plain({ id: 'house-12' }))).status).toBe(201);
    expect((await bench.ask('POST', '/api/strings', plain({ id: 'house-12' }))).status).toBe(201); // sent again: the same
    const other = await bench.ask('POST', '/api/strings', plain({ id: 'house-12', gaugeMm: 0.33 }));
    expect(other.status).toBe(409);
    expect(other.body.current.id).toBe('house-12');
    const set = { id: 'house-three', lineId: null, name: 'three of a kind', family: 'electric', stringIds: ['house-12', 'house-12', 'house-12'] }; // prettier-ignore
    expect((await bench.ask('POST', '/api/sets', set)).status).toBe(201);
    const missing = await bench.ask('POST', '/api/sets', { ...set, id: 'house-four', stringIds: ['house-12', 'house-99'] });
    expect(missing.body.detail).toContain('house-99 is not one');
    const bass = await bench.ask('POST', '/api/sets', { ...set, id: 'house-five', stringIds: ['bass-nickel-45'] });
    expect(bass.body.detail).toContain('must name strings for electric: bass-nickel-45 is for bass');
    const tuning = { id: 'house-low', name: 'C F C', families: ['electric'], notes: ['C3', 'F2', 'C2'] };
    expect((await bench.ask('POST', '/api/tunings', tuning)).status).toBe(201);
    expect((await bench.ask('POST', '/api/tunings', { ...tuning, id: 'house-odd', notes: ['C3', 'F2', 'H2'] })).status).toBe(422);
  });

  it('lets the counter read, and leave the table alone', async () => {
    const counter = await house.visitor().signIn('counter');
    expect((await counter.ask('GET', '/api/strings')).status).toBe(200);
    expect((await counter.ask('POST', '/api/strings', plain({ id: 'counter-12' }))).status).toBe(403);
  });
});
