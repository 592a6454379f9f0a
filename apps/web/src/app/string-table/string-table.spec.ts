import { TestBed } from '@angular/core/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { problem } from '@gold-peg/contract/problems';
import { fromSet, fromTableString, type StringTableFile } from '@gold-peg/contract/strings';
import { LINES, SETS, STRINGS } from '@gold-peg/craft/strings';
import { TUNINGS } from '@gold-peg/craft/tuning';
import { BenchDatabase } from '../bench-log/bench-database';
import { StringTable } from './string-table';

/** The house's table, in whatever order a database gives it. */
const houseTable = (): StringTableFile => ({
  lines: [...LINES].reverse(),
  strings: [...STRINGS].reverse().map((string) => ({ ...fromTableString(string), version: 3 })),
  sets: [
    { ...fromSet(SETS[0] as (typeof SETS)[number]), id: 'house-set', name: 'ours', version: 1 },
    ...[...SETS].reverse().map((set) => ({ ...fromSet(set), version: 1 })),
  ],
  tunings: [...TUNINGS].reverse().map(({ families, notes, ...rest }) => ({ ...rest, families: [...families], notes: [...notes] })),
});

describe('the strings table on a device', () => {
  let server: () => Promise<Response>;
  let database: BenchDatabase;
  const answers = (body: unknown, status = 200) => (server = () => Promise.resolve(new Response(JSON.stringify(body), { status })));
  const away = () => (server = () => Promise.reject(new TypeError('Failed to fetch')));
  const table = () => TestBed.inject(StringTable);

  beforeEach(async () => {
    vi.stubGlobal('fetch', () => server());
    database = TestBed.inject(BenchDatabase);
    await database.keptTables.clear();
  });
  afterEach(() => {
    TestBed.resetTestingModule();
    database.close();
    vi.unstubAllGlobals();
  });

  it('is the house’s, in the order of the built-in list, what the house added last', async () => {
    answers(houseTable());
    await table().load();
    expect(table().strings().map(({ id }) => id)).toEqual(STRINGS.map(({ id }) => id)); // prettier-ignore
    expect(table().sets().map(({ id }) => id)).toEqual([...SETS.map(({ id }) => id), 'house-set']); // prettier-ignore
    expect(table().tunings()[0]?.name).toBe('E A D G B E');
    expect(table().lineNames().get('acoustic-8020')).toBe('80/20 bronze round wound');
  });

  it('is kept on the device, and read from there while the server is away', async () => {
    answers(houseTable());
    await table().load();
    expect((await database.keptTables.get('strings'))?.table.strings.length).toBe(STRINGS.length);
    TestBed.resetTestingModule();
    away();
    await table().load();
    expect(table().sets().at(-1)?.name).toBe('ours');
    expect(table().trouble()).toBeNull();
  });

  it('begins with what is built in where neither the server nor the device has one', async () => {
    away();
    await table().load();
    expect(table().strings().length).toBe(STRINGS.length);
    expect(table().sets().length).toBe(SETS.length);
    expect(table().tunings().length).toBe(TUNINGS.length);
  });

  it('stays as it was while it is read again and the server is gone meanwhile', async () => {
    answers(houseTable());
    await table().load();
    away();
    await table().load();
    expect(table().sets().at(-1)?.name).toBe('ours');
  });

  it('says what the server says where it answers otherwise', async () => {
    answers(problem('not-allowed', 'This is for others.'), 403);
    await table().load();
    expect(table().trouble()).toBe('This is for others.');
    expect(table().file()).toBeNull();
  });
});
