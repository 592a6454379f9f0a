import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { v7 as uuidV7 } from 'uuid';
import type { Act } from '@gold-peg/contract/people';
import type { Copies, Copy } from '@gold-peg/contract/copies';
import { restore } from '../archive/index.js';
import { readDay } from '../day/index.js';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';
import { CopyRow, OwnerRow, PersonRow } from '../store/index.js';
import { lastDue } from './nightly.js';
import { copyNightly, openInEmptyHouse } from './index.js';

const folder = mkdtempSync(join(tmpdir(), 'gold-peg-copies-'));
let house: TestHouse;
let owner: Visitor;
beforeAll(async () => {
  house = await openHouse(undefined, undefined, 'rack', () => new Date(), folder);
  owner = await house.visitor().signIn('owner');
});
afterAll(async () => {
  await house.close();
  rmSync(folder, { recursive: true });
});

const place = () => ({ store: house.store, url: house.databaseUrl, folder });
const list = async () => (await owner.ask('GET', '/api/copies')).body as Copies;
async function made(): Promise<Copy> {
  const { status, body } = await owner.ask('POST', '/api/copies', {});
  expect(status).toBe(201);
  expect(body.state).toBe('under-way');
  return vi.waitFor(
    async () => {
      const copy = (await list()).copies.find(({ id }) => id === body.id);
      if (copy === undefined || copy.state === 'under-way') throw new Error('it is still being made');
      return copy;
    },
    { timeout: 30_000, interval: 100 },
  );
}

describe('a copy of the house', () => {
  it('is opened in an empty house and compared, told of, carried out, and nothing is left of the empty house', async () => {
    const copy = await made();
    const [{ instruments, lines } = { instruments: 0, lines: 0 }] = (await house.store.query(
      `SELECT (SELECT count(*)::int FROM instrument) AS instruments, (SELECT count(*)::int FROM bench_event) AS lines`,
    )) as { instruments: number; lines: number }[];
    expect(copy).toMatchObject({ state: 'compared', says: null, instruments, lines, madeBy: 'Wenna Tarrow', carriedAt: null });
    const [file = ''] = readdirSync(folder);
    expect(copy.bytes).toBe(readFileSync(join(folder, file)).length);
    const carried = await owner.ask('GET', `/api/copies/${copy.id}/file`);
    expect(carried.body).toEqual(JSON.parse(readFileSync(join(folder, file), 'utf8')));
    expect((await list()).copies.find(({ id }) => id === copy.id)?.carriedAt).not.toBeNull();
    const acts = (await owner.ask('GET', '/api/acts')).body as Act[];
    expect(acts.map(({ says }) => says)).toEqual(expect.arrayContaining([`${file} made, opened and compared`, `${file} carried out`]));
    expect(await house.store.query(`SELECT datname FROM pg_database WHERE datname LIKE 'gold_peg_try_%'`)).toEqual([]);
  });

  it('that was damaged is found out where it is opened', async () => {
    const path = join(folder, 'damaged.json');
    const [file = ''] = readdirSync(folder);
    writeFileSync(path, readFileSync(join(folder, file), 'utf8').replace('Wenna Tarrow', 'Wenna Tarrov'));
    await expect(openInEmptyHouse(house.store, house.databaseUrl, path)).rejects.toThrow('changed or damaged');
    rmSync(path);
  });

  it('that cannot be written says why, and is no copy', async () => {
    const nowhere = await openHouse(house.databaseUrl, undefined, 'rack', () => new Date(), join(folder, 'not-there'));
    const there = await nowhere.visitor().signIn('owner');
    const { body } = await there.ask('POST', '/api/copies', {});
    const failed = await vi.waitFor(async () => {
      const copy = await house.store.getRepository(CopyRow).findOneByOrFail({ id: body.id as string });
      expect(copy.state).toBe('failed');
      return copy;
    });
    expect(failed.says).toContain('ENOENT');
    await nowhere.close();
  });

  it('is made in the night by itself, once however many servers there are', async () => {
    const { hours } = await readDay(house.store);
    const tonight = lastDue(new Date(Date.now() + 3 * 24 * 3600_000), hours.zone);
    const night = new Date(tonight.getTime() + 60_000);
    const servers = await Promise.all([1, 2, 3].map(() => copyNightly(place(), night)));
    expect(servers.filter(Boolean)).toHaveLength(1);
    expect(await copyNightly(place(), new Date(night.getTime() + 3600_000))).toBe(false);
    expect((await list()).copies[0]).toMatchObject({ state: 'compared', madeBy: null });
  });

  it('is due at half past two by the clock of the house, also where clocks go forward', () => {
    expect(lastDue(new Date('2026-11-26T12:00:00Z'), 'Europe/London').toISOString()).toBe('2026-11-26T02:30:00.000Z');
    expect(lastDue(new Date('2026-11-26T02:29:00Z'), 'Europe/London').toISOString()).toBe('2026-11-25T02:30:00.000Z');
    expect(lastDue(new Date('2026-07-01T01:31:00Z'), 'Europe/London').toISOString()).toBe('2026-07-01T01:30:00.000Z');
  });

  it('replaces a house where that is asked for, and everybody has to sign in again; else a house with people stays', async () => {
    await made();
    const [latest = ''] = readdirSync(folder).sort().reverse();
    await house.store.getRepository(OwnerRow).insert({ id: uuidV7(), name: 'Came After', contact: '', version: 1 });
    await expect(restore(house.store, join(folder, latest))).rejects.toThrow('unless it is to replace it');
    await restore(house.store, join(folder, latest), { replace: true });
    expect(await house.store.getRepository(OwnerRow).existsBy({ name: 'Came After' })).toBe(false);
    expect(await house.store.getRepository(PersonRow).count()).toBe(3);
    expect((await owner.ask('GET', '/api/jobs')).status).toBe(401);
    owner = await house.visitor().signIn('owner');
    expect((await owner.ask('GET', '/api/jobs')).body.length).toBeGreaterThan(0);
  });
});
