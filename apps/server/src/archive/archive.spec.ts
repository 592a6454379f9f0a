import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { IsNull, type DataSource } from 'typeorm';
import { v4 as uuidV4, v7 as uuidV7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { ensureDatabase } from '../../../../scripts/postgres/database.js';
import { readPassport } from '../register/index.js';
import { AttachmentRow, InstrumentRow, JobRow, openStore, PersonRow, StringEntryRow } from '../store/index.js';
import { fillTables } from '../strings/index.js';
import { openHouse, type TestHouse } from '../testing/house.js';
import { backUp, restore } from './index.js';

const folder = mkdtempSync(join(tmpdir(), 'gold-peg-archive-'));
const whole = join(folder, 'house.json');
const PHOTO = Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), Buffer.from([0, 1, 2, 253, 254, 255])]);

let house: TestHouse;
let empty: DataSource;

beforeAll(async () => {
  house = await openHouse();
  const [instrument, person] = await Promise.all([
    house.store.getRepository(InstrumentRow).findOneByOrFail({ passport: 117 }),
    house.store.getRepository(PersonRow).findOneByOrFail({ role: 'technician' }),
  ]);
  const about = { name: 'worn.png', caption: '“worn”, ½ turn', type: 'image/png' as const, addedAt: new Date(), content: PHOTO };
  await house.store.getRepository(AttachmentRow).insert({ id: uuidV7(), instrumentId: instrument.id, personId: person.id, ...about });
  await backUp(house.store, whole, new Date('2026-05-26T12:00:00Z'));
  empty = await openEmpty();
});

afterAll(async () => {
  await Promise.all([house.close(), empty.destroy()]);
  rmSync(folder, { recursive: true });
});

async function openEmpty(): Promise<DataSource> {
  const store = await openStore(await ensureDatabase(inject('clusterUrl'), `house_${uuidV4().replaceAll('-', '')}`));
  await fillTables(store);
  return store;
}

interface Archive {
  'gold-peg': string;
  version: number;
  rows: [string, Record<string, unknown>][];
  sum: string;
}
const parsed = () => JSON.parse(readFileSync(whole, 'utf8')) as Archive;
/** Another archive, with a sum that is true of it. */
function written(name: string, change: (archive: Archive) => Archive): string {
  const archive = change(parsed());
  const hash = createHash('sha256');
  for (const row of archive.rows) hash.update(JSON.stringify(row));
  const file = join(folder, name);
  writeFileSync(file, JSON.stringify({ ...archive, sum: hash.digest('hex') }, null, 1));
  return file;
}
const text = (name: string, content: string | Buffer): string => {
  writeFileSync(join(folder, name), content);
  return join(folder, name);
};
const namesNow = async (store: DataSource) =>
  (await store.getRepository(InstrumentRow).find({ order: { passport: 'ASC' } })).map(({ passport, name }) => `${passport} ${name}`);

describe('an archive', () => {
  it('brings back the whole house as it was: register, log, setups, shelf, photos, and numbers that go on', async () => {
    const store = await openEmpty();
    const { counts } = await restore(store, whole);
    expect(counts['attachment']).toBe(1);
    expect(await namesNow(store)).toEqual(await namesNow(house.store));
    for (const { id } of await house.store.getRepository(InstrumentRow).find({ select: { id: true } }))
      expect(await readPassport(store, id)).toEqual(await readPassport(house.store, id));
    const [photo] = await store.getRepository(AttachmentRow).find({ select: { content: true, caption: true } });
    expect(photo?.content.equals(PHOTO)).toBe(true);
    for (const table of ['stage_time', 'turns_counted', 'stock_use', 'current_string'] as const) {
      const count = (of: DataSource) => of.query<{ count: string }[]>(`SELECT count(*) FROM ${table}`);
      expect(await count(store)).toEqual(await count(house.store));
    }
    const again = join(folder, 'again.json');
    await backUp(store, again, new Date('2026-05-26T12:00:00Z'));
    expect(readFileSync(again, 'utf8')).toBe(readFileSync(whole, 'utf8'));
    const last = (await namesNow(store)).length;
    const { passport } = await store.getRepository(InstrumentRow).save({
      ...(await store.getRepository(InstrumentRow).findOneByOrFail({ passport: 117 })),
      id: uuidV7(),
      passport: undefined as unknown as number,
    });
    expect(passport).toBeGreaterThan(last);
    await store.destroy();
  });

  it('is one JSON document, however it is laid out', async () => {
    const store = await openEmpty();
    const laidOut = written('laid-out.json', (archive) => archive);
    await restore(store, laidOut);
    expect(await namesNow(store)).toEqual(await namesNow(house.store));
    await store.destroy();
  });

  it('of an older version is upgraded as it comes in', async () => {
    const old = written('old.json', (archive) => ({
      ...archive,
      version: 1,
      rows: archive.rows.map(([table, row]) => {
        if (table === 'job') {
          const { promised_chance: _chance, planned_chance: _planned, promise_moved: _moved, ...job } = row;
          return [table, job];
        }
        if (table !== 'instrument') return [table, row];
        const { top: _top, board: _board, ...geometry } = row['geometry'] as Record<string, unknown>;
        return [table, { ...row, geometry: { ...geometry, measured: true } }];
      }),
    }));
    const store = await openEmpty();
    await restore(store, old);
    const { geometry } = await store.getRepository(InstrumentRow).findOneByOrFail({ passport: 117 });
    expect(geometry.measured).toContain('posts');
    expect(geometry.top).toBeNull();
    expect(await store.getRepository(JobRow).countBy({ promisedChance: IsNull(), promiseMoved: false })).toBeGreaterThan(5);
    await store.destroy();
  });
});

describe('refused whole, with why, and the house as empty as before', () => {
  const changed = (table: string, change: (row: Record<string, unknown>) => Record<string, unknown>) => () =>
    written('changed.json', (archive) => ({
      ...archive,
      rows: archive.rows.map(([name, row]): [string, Record<string, unknown>] => [name, name === table ? change(row) : row]),
    }));
  it.each<[string, () => string, string]>([
    ['one that was cut off', () => text('cut.json', readFileSync(whole).subarray(0, 90_000)), 'cut off'],
    ['one with a letter changed', () => text('letter.json', readFileSync(whole, 'utf8').replace('Corin', 'Carin')), 'changed or damaged'],
    ['one of a newer version', () => written('newer.json', (archive) => ({ ...archive, version: 99 })), 'take a newer one'],
    ['one without a version', () => written('none.json', ({ version: _version, ...archive }) => archive as Archive), 'which version it is'],
    ['another file', () => text('owners.json', '{"gold-peg":"owners","version":1,"rows":[]}'), 'another file of Gold Peg'],
    ['no JSON', () => text('zip.json', Buffer.from('504b0304140000000800ff', 'hex')), 'cannot be read as JSON'],
    ['nothing', () => text('nothing.json', ''), 'no archive'],
    ['a table that there is not', () => written('table.json', rename('owner', 'secret')), 'secret, which is no table'],
    ['a column that there is not', changed('owner', (row) => ({ ...row, admin: true })), 'admin, which is no column'],
    ['a column that is missing', changed('owner', ({ contact: _contact, ...row }) => row), 'has no contact'],
    ['a value of another kind', changed('job', (row) => ({ ...row, taken_in_at: 'yesterday-ish' })), 'A row of job cannot be'],
    ['an owner that there is not', changed('instrument', (row) => ({ ...row, owner_id: uuidV4() })), 'A row of instrument cannot be'],
  ])('%s', async (_, file, says) => {
    const strings = await empty.getRepository(StringEntryRow).count();
    await expect(restore(empty, file())).rejects.toThrow(says);
    expect(await empty.getRepository(PersonRow).count()).toBe(0);
    expect(await empty.getRepository(StringEntryRow).count()).toBe(strings);
  });

  const rename = (from: string, to: string) => (archive: Archive) => ({
    ...archive,
    rows: archive.rows.map(([name, row]): [string, Record<string, unknown>] => [name === from ? to : name, row]),
  });

  it('a house in which somebody is', async () => {
    await expect(restore(house.store, whole)).rejects.toThrow('There are people in this house already');
  });
});
