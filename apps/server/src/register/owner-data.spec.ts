import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 as uuidV7 } from 'uuid';
import type { Owner } from '@gold-peg/contract/register';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

let house: TestHouse;
let owner: Visitor;
beforeAll(async () => {
  house = await openHouse();
  owner = await house.visitor().signIn('owner');
});
afterAll(() => house.close());

const named = async (name: string): Promise<Owner> => {
  const { owners } = (await owner.ask('GET', `/api/owners?search=${encodeURIComponent(name)}`)).body as { owners: Owner[] };
  const [found] = owners;
  if (found === undefined) throw new Error(`nobody is called ${name}`);
  return found;
};
const passportsOf = async (id: string) =>
  (await house.store.query('SELECT id, passport FROM instrument WHERE owner_id = $1 ORDER BY passport', [id])) as {
    id: string;
    passport: number;
  }[];
async function handOverAll(id: string): Promise<void> {
  await house.store.query(`UPDATE job SET state = 'handed-over' WHERE instrument_id IN (SELECT id FROM instrument WHERE owner_id = $1)`, [id]); // prettier-ignore
}

describe('an owner’s data', () => {
  it('is one file: who they are, their instruments and what was done, and what they were told; that is written down', async () => {
    const { id, name, contact } = await named('Jessamy Roke');
    const own = await passportsOf(id);
    const [first] = own;
    await owner.ask('POST', '/api/outbox', { id: uuidV7(), instrumentId: first?.id, way: 'mail', text: 'It is due.' });
    const { body } = await owner.ask('GET', `/api/owners/${id}/data`);
    expect(body.owner).toEqual({ name, contact });
    const told = body.instruments.map((each: { passport: { passport: number } }) => each.passport.passport);
    expect(told).toEqual(own.map(({ passport }) => passport));
    expect(body.messages).toMatchObject([{ recipient: name, text: 'It is due.' }]);
    expect((await owner.ask('GET', '/api/acts')).body[0]).toMatchObject({ kind: 'owner-data' });
  });

  it('goes with their removal, and what was done to their instruments stays without a name', async () => {
    const { id, name, version, contact } = await named('Jessamy Roke');
    const own = await passportsOf(id);
    const removal = (typed: string) => owner.ask('POST', `/api/owners/${id}/removal`, { version, name: typed });
    expect((await removal('Jessamy')).body.detail).toContain('cannot be taken back');
    const here = await removal(name);
    expect(here.status).toBe(422);
    expect(here.body.detail).toContain('hand over');
    await handOverAll(id);
    const events = (await house.store.query('SELECT count(*)::int AS n FROM bench_event')) as { n: number }[];
    const { messages, folder } = (await owner.ask('GET', '/api/outbox')).body as { messages: { file: string }[]; folder: string };
    const [letter] = messages;
    expect(existsSync(join(folder, letter?.file ?? ''))).toBe(true);
    const { status, body } = await removal(name);
    expect([status, body.instruments, body.messages]).toEqual([200, own.length, 1]);
    expect(existsSync(join(folder, letter?.file ?? ''))).toBe(false);
    for (const table of ['owner', 'message', 'instrument', 'act']) {
      const rows = JSON.stringify(await house.store.query(`SELECT * FROM ${table}`));
      expect(rows).not.toContain(name);
      expect(rows).not.toContain(contact);
    }
    expect(await house.store.query('SELECT count(*)::int AS n FROM bench_event')).toEqual(events);
    const kept = await owner.ask('GET', `/api/instruments/${own[0]?.id}`);
    expect([kept.status, kept.body.ownerId ?? null]).toEqual([200, null]);
    expect((await owner.ask('GET', '/api/acts')).body[0]).toMatchObject({ kind: 'owner-removed' });
  });

  it('says where somebody wrote the name into a text of their own', async () => {
    const added = { id: uuidV7(), name: 'Ysolde Quennell-Marsh', contact: '' };
    await owner.ask('POST', '/api/owners', added);
    const one = 'SELECT i.id, i.passport FROM instrument i JOIN job j ON j.instrument_id = i.id LIMIT 1';
    const [instrument] = (await house.store.query(one)) as { id: string; passport: number }[];
    await house.store.query(`UPDATE job SET reason = 'for ysolde quennell-marsh' WHERE instrument_id = $1`, [instrument?.id]);
    const { body } = await owner.ask('POST', `/api/owners/${added.id}/removal`, { version: 1, name: added.name });
    expect(body).toEqual({ instruments: 0, messages: 0, namedAt: [instrument?.passport] });
  });
});
