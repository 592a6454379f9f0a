import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 as uuidV7 } from 'uuid';
import type { InstrumentSummary, Owner, RegisterOrder } from '@gold-peg/contract/register';
import { RACK } from '../demo/rack.js';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

let house: TestHouse;
let counter: Visitor;
beforeAll(async () => {
  house = await openHouse();
  counter = await house.visitor().signIn('counter');
});
afterAll(() => house.close());

const find = async (search: string) =>
  (await counter.ask('GET', `/api/instruments?search=${encodeURIComponent(search)}`)).body.instruments as InstrumentSummary[];

describe('the register', () => {
  it('holds the instruments of the demo with their owners and what is on them', async () => {
    const all = await find('');
    expect(all.map(({ passport }) => passport)).toEqual(RACK.map(({ passport }) => passport));
    for (const instrument of all)
      expect(instrument).toMatchObject({ ownerName: expect.any(String), currentSet: expect.stringMatching(/^\./) });
  });

  it('finds by name, owner, kind and passport, and takes signs of the search literally', async () => {
    expect((await find('heron')).map(({ name }) => name)).toEqual(['Heron parlour, walnut', 'Heron parlour, spruce', 'Heron twelve, cherry']); // prettier-ignore
    expect((await find('lantern')).length).toBe(4);
    expect((await find('planetary')).map(({ passport }) => passport)).toEqual([120]);
    expect((await find('0117')).map(({ passport }) => passport)).toEqual([117]);
    expect(await find('100%')).toEqual([]);
    expect(await find('_')).toEqual([]);
  });

  it.each<[RegisterOrder, (instrument: InstrumentSummary) => number | string]>([
    ['passport', ({ passport }) => passport],
    ['name', ({ name }) => name.toLowerCase()],
    ['owner', ({ ownerName }) => ownerName?.toLowerCase() ?? ''],
    ['strings', ({ fittedAt }) => fittedAt ?? ''],
  ])('comes page by page in the order of %s, both ways, each once, with how many there are', async (order, key) => {
    const all = await find('');
    for (const way of ['asc', 'desc']) {
      const pages: InstrumentSummary[] = [];
      for (let next: number | null | undefined = undefined; next !== null;) {
        const after = next === undefined ? '' : `&after=${next}`;
        const { body } = await counter.ask('GET', `/api/instruments?limit=4&order=${order}&way=${way}${after}`);
        expect(body.count).toBe(all.length);
        expect(body.instruments.length).toBeLessThanOrEqual(4);
        pages.push(...(body.instruments as InstrumentSummary[]));
        next = body.next as number | null;
      }
      if (way === 'desc') pages.reverse();
      expect(new Set(pages.map(({ id }) => id)).size).toBe(all.length);
      for (const [one, other] of pages.slice(1).map((after, index) => [pages[index], after] as const))
        expect(key(one as InstrumentSummary) <= key(other)).toBe(true);
    }
    const { body } = await counter.ask('GET', `/api/instruments?search=lantern&order=${order}&way=desc`);
    expect(body.instruments.length).toBe(4);
  });

  it('lists owners page by page, each once and in order', async () => {
    const owners: string[] = [];
    for (let next: string | null = ''; next !== null;) {
      const { body } = await counter.ask('GET', `/api/owners?limit=2${next === '' ? '' : `&after=${next}`}`);
      owners.push(...body.owners.map(({ name }: Owner) => name));
      next = body.next;
    }
    expect(owners).toEqual([...owners].sort((a, b) => (a.toLowerCase() < b.toLowerCase() ? -1 : 1)));
    expect(new Set(owners).size).toBe(owners.length);
  });

  it('finds an instrument by the new name of its owner', async () => {
    const { body } = await counter.ask('GET', '/api/owners?search=jessamy');
    const { id, contact, version } = body.owners[0] as Owner;
    const theirs = (await find('jessamy')).map(({ passport }) => passport);
    expect(theirs.length).toBeGreaterThan(0);
    const rename = (name: string, read: number) => counter.ask('PUT', `/api/owners/${id}`, { name, contact, version: read });
    await rename('Jess Roke-Quoin', version);
    expect((await find('roke-quoin')).map(({ passport }) => passport)).toEqual(theirs);
    expect(await find('jessamy')).toEqual([]);
    await rename('Jessamy Roke', version + 1);
  });

  it('adds an instrument from an archetype, with a measured scale and the next passport', async () => {
    const draft = {
      id: uuidV7(),
      hand: 'right',
      name: 'Drumlin, short neck',
      archetypeId: 'banjo-five-string',
      ownerId: null,
      scaleMm: 600,
      remark: '',
    };
    const { status, body } = await counter.ask('POST', '/api/instruments', draft);
    expect(status).toBe(201);
    expect(body.passport).toBe(Math.max(...RACK.map(({ passport }) => passport)) + 1);
    expect(body.geometry.hand).toBe('right');
    expect(body.geometry.strings[0].scaleMm).toBeCloseTo(600, 9);
    expect(body.geometry.strings[4].scaleMm).toBeCloseTo((502 * 600) / 670, 9); // the short fifth keeps its proportion
    expect(body.current).toBeNull();
  });

  it.each([
    ['name', { name: '  ' }, 'must not be empty'],
    ['name', { name: 'x'.repeat(90) }, 'at most 80'],
    ['archetypeId', { archetypeId: 'harp' }, 'one of the kinds'],
    ['scaleMm', { scaleMm: 6 }, 'between 150 and 1300 mm'],
    ['scaleMm', { scaleMm: '648' }, 'must be a number in mm'],
    ['ownerId', { ownerId: '01900000-0000-7000-8000-000000000000' }, 'an owner in the register'],
    ['ownerId', { ownerId: 'me' }, 'must be an id'],
    ['colour', { colour: 'red' }, 'not a field'],
  ])('refuses an instrument with a wrong %s', async (field, change, says) => {
    const before = (await find('')).length;
    const good = { id: uuidV7(), hand: 'right', name: 'Good', archetypeId: 'mandolin', ownerId: null, scaleMm: null, remark: '' };
    const { status, body, type } = await counter.ask('POST', '/api/instruments', { ...good, ...change });
    expect(status).toBe(422);
    expect(type).toContain('application/problem+json');
    expect(body.fields[0].field).toBe(field);
    expect(body.fields[0].says).toContain(says);
    expect((await find('')).length).toBe(before);
  });

  it('refuses a stale change, shows what is there now, and loses nothing', async () => {
    const [instrument] = await find('0140');
    const passport = await counter.ask('GET', `/api/instruments/${instrument?.id}`);
    const change = { version: passport.body.version, name: 'Brindle six, black', ownerId: passport.body.ownerId, remark: 'first' };
    expect((await counter.ask('PUT', `/api/instruments/${instrument?.id}`, change)).body).toMatchObject({ version: 2, remark: 'first' });
    const late = await counter.ask('PUT', `/api/instruments/${instrument?.id}`, { ...change, remark: 'second' });
    expect(late.status).toBe(409);
    expect(late.body.current).toMatchObject({ version: 2, remark: 'first' });
    expect((await counter.ask('GET', `/api/instruments/${instrument?.id}`)).body.remark).toBe('first');
  });

  it('knows nothing under an id that does not exist, or cannot', async () => {
    expect((await counter.ask('GET', '/api/instruments/01900000-0000-7000-8000-000000000000')).status).toBe(404);
    expect((await counter.ask('GET', '/api/instruments/17')).status).toBe(404);
  });
});

describe('owners', () => {
  it('are added, counted with their instruments, and changed with care for others', async () => {
    const added = (await counter.ask('POST', '/api/owners', { id: uuidV7(), name: 'Lowen Thrift', contact: 'ferry house' })).body as Owner;
    expect(added).toMatchObject({ name: 'Lowen Thrift', version: 1, instrumentCount: 0 });
    await counter.ask('POST', '/api/instruments', {
      id: uuidV7(),
      hand: 'right',
      name: 'Thrift mandolin',
      archetypeId: 'mandolin',
      ownerId: added.id,
      scaleMm: null,
      remark: '',
    });
    const change = { name: 'Lowen Thrift', contact: 'lighthouse', version: 1 };
    expect((await counter.ask('PUT', `/api/owners/${added.id}`, change)).body).toMatchObject({
      version: 2,
      contact: 'lighthouse',
      instrumentCount: 1,
    });
    const late = await counter.ask('PUT', `/api/owners/${added.id}`, change);
    expect(late.status).toBe(409);
    expect(late.body.current.contact).toBe('lighthouse');
    const { body } = await counter.ask('GET', '/api/owners?search=thrift');
    expect(body.owners.map(({ name }: Owner) => name)).toEqual(['Lowen Thrift']);
    expect(body).toMatchObject({ count: 1, next: null });
  });
});

describe('jobs', () => {
  it('are listed in the order promised, those without a promise last', async () => {
    const { body } = await counter.ask('GET', '/api/jobs');
    const promised = body.map(({ promisedAt }: { promisedAt: string | null }) =>
      promisedAt === null ? Number.POSITIVE_INFINITY : Date.parse(promisedAt),
    );
    expect(promised).toEqual([...promised].sort((a: number, b: number) => a - b));
    expect(body.length).toBe(RACK.filter((entry) => entry.job !== undefined).length);
    expect(body.find(({ state }: { state: string }) => state === 'on-bench')).toMatchObject({ stage: 'wind', instrument: { passport: 117 } }); // prettier-ignore
  });

  it('begin with taking an instrument in, once', async () => {
    const [instrument] = await find('0133');
    const draft = { id: uuidV7(), instrumentId: instrument?.id, reason: 'tie slips', promisedAt: '2026-06-01T10:00:00+02:00' };
    const taken = await counter.ask('POST', '/api/jobs', draft);
    expect(taken.status).toBe(201);
    expect(taken.body).toMatchObject({ state: 'waiting', stage: 'choose', promisedAt: '2026-06-01T08:00:00.000Z' });
    expect((await counter.ask('POST', '/api/jobs', draft)).body).toEqual(taken.body);
    const other = await counter.ask('POST', '/api/jobs', { ...draft, id: uuidV7() });
    expect(other.status).toBe(409);
    expect(other.body.current.id).toBe(taken.body.id);
    const sheet = await counter.ask('GET', `/api/jobs/${taken.body.id}`);
    expect(sheet.body).toMatchObject({ passport: { passport: 133 }, events: [] });
  });

  it('refuse an unknown instrument and a time without a zone', async () => {
    const unknown = await counter.ask('POST', '/api/jobs', {
      id: uuidV7(),
      instrumentId: '01900000-0000-7000-8000-000000000000',
      reason: '',
      promisedAt: null,
    });
    expect(unknown.body.fields[0].field).toBe('instrumentId');
    const [instrument] = await find('0140');
    const zoneless = await counter.ask('POST', '/api/jobs', { id: uuidV7(), instrumentId: instrument?.id, reason: '', promisedAt: 'Thursday' }); // prettier-ignore
    expect(zoneless.body.fields[0]).toMatchObject({ field: 'promisedAt', says: expect.stringContaining('date and time') });
  });
});
