import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 as uuidV7 } from 'uuid';
import type { InstrumentSummary, Owner, Passport } from '@gold-peg/contract/register';
import { InstrumentRow } from '../store/index.js';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

let house: TestHouse;
let counter: Visitor;
beforeAll(async () => {
  house = await openHouse();
  counter = await house.visitor().signIn('counter');
});
afterAll(() => house.close());

const list = async (query = '') =>
  (await counter.ask('GET', `/api/instruments?limit=200&${query}`)).body as { instruments: InstrumentSummary[]; count: number };
const passportOf = async (passport: number): Promise<Passport> => {
  const { id } = await house.store.getRepository(InstrumentRow).findOneByOrFail({ passport });
  return (await counter.ask('GET', `/api/instruments/${id}`)).body as Passport;
};
const archive = async (passport: number, archived: boolean) => {
  const { id, version } = await passportOf(passport);
  return counter.ask('PUT', `/api/instruments/${id}/archived`, { version, archived });
};
const owners = async () => (await counter.ask('GET', '/api/owners?limit=200')).body.owners as Owner[];
const owner = async (name: string) => {
  const found = (await owners()).find((each) => each.name === name);
  if (found === undefined) throw new Error(`no owner ${name}`);
  return found;
};

describe('an instrument that is gone', () => {
  it('leaves the register and what is due, keeps its passport, and comes back', async () => {
    const before = await list();
    const gone = await archive(140, true);
    expect([gone.status, gone.body.archivedAt]).toEqual([200, expect.any(String)]);
    const [now, away] = [await list(), await list('archived=true')];
    expect([now.count, away.count]).toEqual([before.count - 1, 1]);
    expect(away.instruments.map(({ passport }) => passport)).toEqual([140]);
    expect((await list('search=tar+black')).instruments).toEqual([]);
    const { entries } = (await counter.ask('GET', '/api/due?until=2099-01-01T00:00:00Z')).body as { entries: { instrument: InstrumentSummary }[]; }; // prettier-ignore
    expect(entries.some(({ instrument }) => instrument.passport === 140)).toBe(false);
    const { id, setups } = await passportOf(140);
    expect(setups.length).toBeGreaterThan(0);
    const refused = await counter.ask('POST', '/api/jobs', { id: uuidV7(), instrumentId: id, reason: '', promisedAt: null });
    expect([refused.status, refused.body.detail]).toEqual([422, 'instrumentId must be an instrument in the register']);
    expect((await archive(140, false)).body.archivedAt).toBeNull();
    expect((await list()).count).toBe(before.count);
  });

  it('is not one that lies in the workshop, nor one that somebody changed meanwhile', async () => {
    const there = await archive(117, true);
    expect([there.status, there.body.detail]).toEqual([422, 'archived must be false while it is in the workshop: hand it over first']);
    const { id } = await passportOf(140);
    expect((await counter.ask('PUT', `/api/instruments/${id}/archived`, { version: 1, archived: true })).status).toBe(409);
  });
});

it('notes are searched as well', async () => {
  expect((await list('search=small+hands')).instruments.map(({ passport }) => passport)).toEqual([98]);
});

describe('an owner who is in the register twice', () => {
  it('becomes one, with the instruments of both', async () => {
    const [one, other] = [await owner('Tamsel Orre'), await owner('Jessamy Roke')];
    const { status, body } = await counter.ask('POST', `/api/owners/${one.id}/merge`, { version: one.version, into: other.id });
    expect([status, body.name, body.instrumentCount]).toEqual([200, 'Jessamy Roke', one.instrumentCount + other.instrumentCount]);
    expect((await owners()).some(({ id }) => id === one.id)).toBe(false);
    expect((await passportOf(117)).ownerName).toBe('Jessamy Roke');
    expect((await list('search=tamsel')).instruments).toEqual([]);
  });

  it('is not merged with itself, with nobody, or where somebody changed it meanwhile', async () => {
    const [one, other] = [await owner('Bram Isleworthy'), await owner('Jessamy Roke')];
    const merge = (into: string, version = one.version) => counter.ask('POST', `/api/owners/${one.id}/merge`, { version, into });
    expect((await merge(one.id)).body.detail).toBe('into must be another owner: this is the same');
    expect((await merge(uuidV7())).status).toBe(404);
    expect((await merge(other.id, one.version + 1)).status).toBe(409);
    expect(await owner('Bram Isleworthy')).toEqual(one);
  });
});
