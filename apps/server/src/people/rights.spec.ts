import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { v7 as uuidV7 } from 'uuid';
import { ENDPOINTS, type Endpoint } from '@gold-peg/contract/endpoints';
import type { Act, OpenSession, PersonOfHouse } from '@gold-peg/contract/people';
import { DEMO_COUNTER, DEMO_SIGN_IN, DEMO_TECHNICIAN } from '../demo/people.js';
import { openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

let house: TestHouse;
let owner: Visitor;
let now = new Date();
beforeAll(async () => {
  house = await openHouse(undefined, undefined, 'rack', () => now);
});
afterAll(() => house.close());
beforeEach(async () => {
  now = new Date();
  owner = await house.visitor().signIn('owner');
});

const people = async () => (await owner.ask('GET', '/api/people')).body as PersonOfHouse[];
const named = async (name: string) => {
  const found = (await people()).find((person) => person.name === name);
  if (found === undefined) throw new Error(`nobody is called ${name}`);
  return found;
};
const change = (person: PersonOfHouse, to: Partial<PersonOfHouse>) => {
  const { version, name, role, standing } = { ...person, ...to };
  return owner.ask('PUT', `/api/people/${person.id}`, { version, name, role, standing });
};
const acts = async () => (await owner.ask('GET', '/api/acts')).body as Act[];
async function newcomer(role = 'technician'): Promise<{ name: string; passphrase: string; visitor: Visitor }> {
  const draft = { id: uuidV7(), name: `Newcomer ${uuidV7().slice(-6)}`, role, passphrase: 'wind it down and true' };
  expect((await owner.ask('POST', '/api/people', draft)).status).toBe(201);
  const visitor = await house.visitor().arrive();
  await visitor.enter('/api/session', { name: draft.name, passphrase: draft.passphrase });
  return { ...draft, visitor };
}

describe('rights', () => {
  it('of another role begin with signing in again: sessions end with the change, which is written down', async () => {
    const { name, visitor } = await newcomer();
    expect((await visitor.ask('GET', '/api/jobs')).status).toBe(200);
    expect((await change(await named(name), { role: 'counter' })).body).toMatchObject({ role: 'counter', sessions: 0 });
    expect((await visitor.ask('GET', '/api/jobs')).status).toBe(401);
    expect((await acts())[0]).toMatchObject({ kind: 'rights', says: `${name}: technician to counter`, person: { name: DEMO_SIGN_IN.name } }); // prettier-ignore
  });

  it('of who is locked out or has left are none, at once and wherever they are; their name stays in the log', async () => {
    for (const standing of ['locked', 'left'] as const) {
      const { name, passphrase, visitor } = await newcomer();
      await change(await named(name), { standing });
      expect((await visitor.ask('GET', '/api/jobs')).status).toBe(401);
      const again = await house.visitor().arrive();
      expect((await again.ask('POST', '/api/session', { name, passphrase })).body.detail).toContain('cannot sign in here any more');
      const names = (await owner.ask('GET', '/api/people/names')).body as { name: string }[];
      expect(names.map((each) => each.name)).toContain(name);
      await change(await named(name), { standing: 'works' });
      expect((await again.ask('POST', '/api/session', { name, passphrase })).status).toBe(200);
    }
  });

  it('of the last owner cannot be given away', async () => {
    const self = await named(DEMO_SIGN_IN.name);
    for (const to of [{ role: 'technician' }, { standing: 'locked' }] as const) {
      const refused = await change(self, to);
      expect(refused.status).toBe(422);
      expect(refused.body.detail).toContain('must stay owner');
    }
  });

  it('are changed on what was read: a stale one is shown what is there, a name stands once', async () => {
    const { name } = await newcomer();
    const read = await named(name);
    await change(read, { role: 'counter' });
    expect((await change(read, { role: 'owner' })).body).toMatchObject({ type: '/problems/stale', current: { role: 'counter' } });
    const taken = await change(await named(name), { name: DEMO_COUNTER.name.toLowerCase() });
    expect(taken.body.fields).toEqual([{ field: 'name', says: 'must be new' }]);
  });
});

describe('a link for a new passphrase', () => {
  const next = 'a tide table and a tuning fork';
  const linkFor = async (name: string) =>
    ((await owner.ask('POST', `/api/people/${(await named(name)).id}/link`, {})).body.path as string).split('#')[1];
  const choose = (token: string | undefined) => house.visitor().ask('POST', '/api/passphrase', { token, new: next });

  it('opens once, ends what the old passphrase opened, and is kept as a hash only', async () => {
    const { name, passphrase, visitor } = await newcomer();
    const token = await linkFor(name);
    expect(JSON.stringify(await house.store.query('SELECT * FROM passphrase_link'))).not.toContain(token);
    expect((await choose(token)).status).toBe(200);
    expect((await visitor.ask('GET', '/api/jobs')).status).toBe(401);
    expect((await visitor.ask('POST', '/api/session', { name, passphrase })).status).toBe(401);
    expect((await visitor.ask('POST', '/api/session', { name, passphrase: next })).status).toBe(200);
    expect((await choose(token)).body.detail).toContain('was used already');
  });

  it('is worth nothing after a day, or once a newer one was made', async () => {
    const { name } = await newcomer();
    const [older, newer] = [await linkFor(name), await linkFor(name)];
    expect((await choose(older)).status).toBe(401);
    now = new Date(Date.now() + 24 * 3600_000 + 60_000);
    expect((await choose(newer)).status).toBe(401);
  });

  it('that is guessed at ends after ten', async () => {
    const guesses: number[] = [];
    for (let times = 0; times < 12; times++) guesses.push((await choose('x'.repeat(43))).status);
    expect(guesses.at(-1)).toBe(429);
  });
});

describe('sessions', () => {
  const list = async (visitor: Visitor) => (await visitor.ask('GET', '/api/sessions')).body as OpenSession[];

  it('are listed by device: the owner sees everybody’s, others their own; one is ended by whoever may', async () => {
    const counter = await house.visitor().signIn('counter');
    const technician = await house.visitor().signIn('technician');
    const own = await list(counter);
    expect(new Set(own.map(({ person }) => person.name))).toEqual(new Set([DEMO_COUNTER.name]));
    expect(own.filter(({ own: asks }) => asks)).toHaveLength(1);
    const all = await list(owner);
    const names = [DEMO_SIGN_IN.name, DEMO_COUNTER.name, DEMO_TECHNICIAN.name];
    expect(all.map(({ person }) => person.name)).toEqual(expect.arrayContaining(names));
    const [foreign] = await list(technician);
    expect((await counter.ask('DELETE', `/api/sessions/${foreign?.id}`)).status).toBe(404);
    expect((await owner.ask('DELETE', `/api/sessions/${foreign?.id}`)).status).toBe(200);
    expect((await technician.ask('GET', '/api/jobs')).status).toBe(401);
    expect((await acts())[0]).toMatchObject({ kind: 'sessions', says: expect.stringContaining(`${DEMO_TECHNICIAN.name} signed out on`) });
  });

  it('of somebody else are ended all at once by the owner alone', async () => {
    const { name, visitor } = await newcomer();
    const counter = await house.visitor().signIn('counter');
    const { id } = await named(name);
    expect((await counter.ask('DELETE', `/api/people/${id}/sessions`)).status).toBe(403);
    expect((await owner.ask('DELETE', `/api/people/${id}/sessions`)).status).toBe(200);
    expect((await visitor.ask('GET', '/api/jobs')).status).toBe(401);
  });

  it('end after fourteen days, however much they are used', async () => {
    const { visitor } = await newcomer();
    const old = new Date(Date.now() - 14 * 24 * 3600_000 - 60_000).toISOString();
    await house.store.query(
      `UPDATE session SET sess = jsonb_set(sess::jsonb, '{signedInAt}', to_jsonb($1::text))::json WHERE sess->>'personId' = $2`,
      [old, (await list(visitor))[0]?.person.id],
    );
    expect((await visitor.ask('GET', '/api/jobs')).status).toBe(401);
  });
});

describe('a code for the bench', () => {
  const tablet = async () => {
    const device = await house.visitor().signIn('owner');
    const { status, body } = await device.ask('POST', '/api/devices', { id: uuidV7(), name: 'bench 2' });
    expect(status).toBe(201);
    await device.ask('DELETE', '/api/session');
    return { device: await device.arrive(), id: body.id as string };
  };
  const withCode = async (code: string, role = 'technician') => {
    const { visitor, passphrase } = await newcomer(role);
    expect((await visitor.ask('PUT', '/api/session/code', { passphrase, code })).status).toBe(200);
    return visitor.person?.id ?? '';
  };
  const enter = (device: Visitor, personId: string, code: string) => device.enter('/api/session/by-code', { personId, code });

  it('changes people on a device that the owner has allowed, and nowhere else', async () => {
    const personId = await withCode('60417');
    const { device } = await tablet();
    const { bench } = (await device.ask('GET', '/api/session')).body;
    expect(bench.name).toBe('bench 2');
    expect(bench.people.map(({ id }: { id: string }) => id)).toContain(personId);
    const elsewhere = await house.visitor().arrive();
    expect((await elsewhere.ask('GET', '/api/session')).body.bench).toBeNull();
    expect((await enter(elsewhere, personId, '60417')).status).toBe(403);
    expect((await enter(device, personId, '60417')).body).toMatchObject({ byCode: true, person: { id: personId } });
    expect((await device.ask('GET', '/api/jobs')).status).toBe(200);
  });

  it('is not good for the office, though its person is an owner', async () => {
    const personId = await withCode('60417', 'owner');
    const { device, id } = await tablet();
    await enter(device, personId, '60417');
    const office = Object.values<Endpoint>(ENDPOINTS).filter((endpoint) => endpoint.office === true);
    expect(office.length).toBeGreaterThan(15);
    for (const { method, path } of office) {
      const address = path.replace(':id', personId);
      const answer = await device.ask(method, address, method === 'GET' || method === 'DELETE' ? undefined : {});
      expect([path, answer.body.type]).toEqual([path, '/problems/needs-passphrase']);
    }
    await owner.ask('DELETE', `/api/devices/${id}`);
    expect((await device.ask('GET', '/api/jobs')).status).toBe(401);
    expect((await enter(device, personId, '60417')).status).toBe(403);
  });

  it('that is guessed at is shut after five, for that person alone, and that is written down', async () => {
    const [guessed, other] = [await withCode('60417'), await withCode('7306')];
    const { device } = await tablet();
    const guesses: number[] = [];
    for (let times = 0; times < 6; times++) guesses.push((await enter(device, guessed, '9182')).status);
    expect(guesses).toEqual([401, 401, 401, 401, 401, 429]);
    expect((await enter(device, guessed, '60417')).status).toBe(429);
    expect((await enter(device, other, '7306')).status).toBe(200);
    expect((await acts()).find(({ kind }) => kind === 'too-often')?.says).toContain('Five codes were wrong');
  });

  it.each([
    ['1234', 'harder to guess'],
    ['7777', 'harder to guess'],
    ['4747', 'harder to guess'],
    ['12', '4 to 8 digits'],
  ])('cannot be %s', async (code, says) => {
    const { visitor, passphrase } = await newcomer();
    const { status, body } = await visitor.ask('PUT', '/api/session/code', { passphrase, code });
    expect(status).toBe(422);
    expect(body.fields[0]).toEqual({ field: 'code', says: expect.stringContaining(says) });
  });
});

describe('who did what', () => {
  it('goes out as CSV in which no cell is a formula, and that is written down too', async () => {
    await change(await named((await newcomer()).name), { name: '=HYPERLINK("x")' });
    const { body } = await owner.ask('GET', '/api/acts.csv');
    const lines = (body as string).split('\n');
    expect(lines[0]).toBe('at,person,kind,says');
    expect(lines.find((line) => line.includes('HYPERLINK'))).toContain('is called');
    expect((await acts())[0]).toMatchObject({ kind: 'export', says: 'who did what, as CSV' });
    expect((await owner.ask('GET', '/api/acts.csv')).body.split('\n')[1]).toContain(',export,');
  });

  it('holds no passphrase and no code', async () => {
    expect(JSON.stringify(await acts())).not.toMatch(/wind it down|60417|tide table/);
  });
});
