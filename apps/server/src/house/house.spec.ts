import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { WorksheetFile } from '@gold-peg/contract/jobs';
import type { HouseTool, Passport } from '@gold-peg/contract/register';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

let house: TestHouse;
let owner: Visitor;
let technician: Visitor;
let counter: Visitor;

beforeAll(async () => {
  house = await openHouse();
  [owner, technician, counter] = await Promise.all([
    house.visitor().signIn('owner'),
    house.visitor().signIn('technician'),
    house.visitor().signIn('counter'),
  ]);
});
afterAll(() => house.close());

const worksheet = async (passport: number) => {
  const job = await technician.job(passport);
  return (await technician.ask('GET', `/api/jobs/${job.id}`)).body as WorksheetFile;
};

describe('ways of the house', () => {
  it('are the owner’s to change, and reach every worksheet', async () => {
    const { version } = (await owner.ask('GET', '/api/house')).body;
    const methods = { turns: { bass: 3 }, cutTime: 'after-it-holds' };
    expect((await technician.ask('PUT', '/api/house/methods', { version, methods })).status).toBe(403);
    expect((await owner.ask('PUT', '/api/house/methods', { version, methods })).body).toEqual({ version: version + 1, methods });
    expect((await worksheet(109)).house).toEqual(methods);
    const late = await owner.ask('PUT', '/api/house/methods', { version, methods: {} });
    expect(late.status).toBe(409);
    expect(late.body.current.methods).toEqual(methods);
  });

  it('refuse turns that do not hold, and ways that nobody knows', async () => {
    const { version } = (await owner.ask('GET', '/api/house')).body;
    const many = await owner.ask('PUT', '/api/house/methods', { version, methods: { turns: { bass: 20 } } });
    expect(many.body.fields[0]).toMatchObject({ field: 'methods.turns.bass', says: expect.stringContaining('between 0.5 and 8 turns') });
    expect((await owner.ask('PUT', '/api/house/methods', { version, methods: { plainFixing: 'glue' } })).status).toBe(422);
  });
});

describe('tools of the house', () => {
  it('are the sizes that were noted last at each instrument: the demo names a block and a key at one that locks twice', async () => {
    const tools = (await counter.ask('GET', '/api/house/tools')).body as HouseTool[];
    const block = tools.find(({ tool, sizeMm }) => tool === 'block' && sizeMm === 11.5);
    const at: HouseTool['at'] = await house.store.query(
      `SELECT i.id, i.passport::int FROM instrument i WHERE (SELECT setup->'sizes' @> '[{"tool": "block", "sizeMm": 11.5}]' FROM setup WHERE instrument_id = i.id
       ORDER BY fitted_at DESC LIMIT 1)`,
    );
    expect(at.length).toBeGreaterThan(0);
    expect(block).toEqual({ tool: 'block', sizeMm: 11.5, instruments: at.length, at });
    expect(tools.map(({ tool, sizeMm }) => `${tool} ${sizeMm}`)).toContain('hex-keys 3');
  });
});

describe('what was measured of one instrument', () => {
  it('keeps its own ways, which leave name, owner and geometry alone', async () => {
    const { passport } = await worksheet(104);
    const changed = await technician.ask('PUT', `/api/instruments/${passport.id}/methods`, {
      version: passport.version,
      methods: { turns: { 'thin-plain': 4 } },
    });
    expect(changed.body).toMatchObject({ name: passport.name, version: passport.version + 1, methods: { turns: { 'thin-plain': 4 } } });
    expect(changed.body.geometry).toEqual(passport.geometry);
    expect((await counter.ask('PUT', `/api/instruments/${passport.id}/methods`, { version: 2, methods: {} })).status).toBe(403);
  });

  it('keeps posts where they were measured, for a technician with the version that was read', async () => {
    const { passport } = await worksheet(117);
    const strings = passport.geometry.strings.map((string) => ({ ...string, post: { ...string.post, diameterMm: 6.3 } }));
    const geometry = { ...passport.geometry, hand: 'left', strings };
    const ask = (body: object) => technician.ask('PUT', `/api/instruments/${passport.id}/geometry`, body);
    const kept = (await ask({ version: passport.version, geometry })).body as Passport;
    expect(kept.geometry).toEqual(geometry);
    expect((await ask({ version: passport.version, geometry })).status).toBe(409);
    const fewer = await ask({ version: kept.version, geometry: { ...geometry, strings: strings.slice(0, 5) } });
    expect(fewer.body.fields[0].says).toContain('must keep its 6 strings');
  });

  it.each([
    ['a post in the nut', { alongMm: 5 }, 'more than the diameter of the post'],
    ['two posts in one place', { alongMm: 92, sidewaysMm: -26 }, 'into the post of string'],
    ['a slotted post without a depth', { style: 'slotted' }, 'the end goes that deep'],
  ])('refuses %s, and writes nothing', async (_what, post, says) => {
    const { passport } = await worksheet(117);
    const [first, ...rest] = passport.geometry.strings;
    const geometry = { ...passport.geometry, strings: [{ ...first, post: { ...first?.post, ...post } }, ...rest] };
    const answer = await technician.ask('PUT', `/api/instruments/${passport.id}/geometry`, { version: passport.version, geometry });
    expect(answer.status).toBe(422);
    expect(JSON.stringify(answer.body.fields)).toContain(says);
    expect((await worksheet(117)).passport.version).toBe(passport.version);
  });
});
