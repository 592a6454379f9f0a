import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 as uuidV7 } from 'uuid';
import { ENDPOINTS, type Endpoint } from '@gold-peg/contract/endpoints';
import { DEMO_SIGN_IN } from '../demo/people.js';
import { PersonRow } from '../store/index.js';
import { openHouse, type TestHouse } from '../testing/house.js';

let house: TestHouse;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house.close());

describe('signing in', () => {
  it('opens the workshop for the right passphrase, whatever the capitals of the name, with a cookie that scripts cannot read', async () => {
    const visitor = await house.visitor().arrive();
    const response = await fetch(`${visitor.address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(DEMO_SIGN_IN),
    });
    expect(response.headers.getSetCookie()[0]).toMatch(/HttpOnly/);
    expect(response.headers.getSetCookie()[0]).toMatch(/SameSite=Strict/i);
    const { status, body } = await visitor.ask('POST', '/api/session', {
      name: DEMO_SIGN_IN.name.toUpperCase(),
      passphrase: DEMO_SIGN_IN.passphrase,
    });
    expect(status).toBe(200);
    expect(body.person).toMatchObject({ name: DEMO_SIGN_IN.name, role: 'owner' });
  });

  it('changes the session’s id, so that one planted before is worth nothing', async () => {
    const visitor = await house.visitor().arrive();
    const planted = visitor.cookieHeader;
    await visitor.ask('POST', '/api/session', DEMO_SIGN_IN);
    expect(visitor.cookieHeader).not.toBe(planted);
    const thief = await fetch(`${visitor.address}/api/jobs`, { headers: { cookie: planted } });
    expect(thief.status).toBe(401);
  });

  it('says the same for a wrong passphrase and an unknown name', async () => {
    const visitor = await house.visitor().arrive();
    const wrong = await visitor.ask('POST', '/api/session', { ...DEMO_SIGN_IN, passphrase: 'something else' });
    const nobody = await visitor.ask('POST', '/api/session', { name: 'Nobody At All', passphrase: 'something else' });
    expect(wrong.status).toBe(401);
    expect(wrong.body).toEqual(nobody.body);
  });

  it('ends with signing out', async () => {
    const visitor = await house.visitor().signIn('owner');
    expect((await visitor.ask('GET', '/api/jobs')).status).toBe(200);
    await visitor.ask('DELETE', '/api/session');
    expect((await visitor.ask('GET', '/api/jobs')).status).toBe(401);
  });

  it('keeps passphrases as argon2id only', async () => {
    const rows = await house.store.getRepository(PersonRow).find();
    expect(rows.length).toBe(3);
    for (const { passphraseHash } of rows) expect(passphraseHash).toMatch(/^\$argon2id\$/);
  });
});

describe('requests from elsewhere', () => {
  it('change nothing without the token of the page', async () => {
    const visitor = await house.visitor().signIn('owner');
    visitor.forgetToken();
    const { status, body, type } = await visitor.ask('POST', '/api/owners', { id: uuidV7(), name: 'Forged', contact: '' });
    expect(status).toBe(403);
    expect(type).toContain('application/problem+json');
    expect(body.type).toBe('/problems/forged-request');
  });
});

describe('roles', () => {
  const table = Object.entries<Endpoint>(ENDPOINTS).filter(([, { who }]) => who !== 'anyone');
  const path = (endpoint: Endpoint) => endpoint.path.replace(':id', '01900000-0000-7000-8000-000000000000');

  it.each(table)('%s is closed to strangers', async (_name, endpoint) => {
    const stranger = await house.visitor().arrive();
    expect((await stranger.ask(endpoint.method, path(endpoint), endpoint.method === 'GET' ? undefined : {})).status).toBe(401);
  });

  it.each(table.filter(([, { who }]) => Array.isArray(who)))('%s is open to just the roles of the table', async (_name, endpoint) => {
    for (const role of ['owner', 'technician', 'counter'] as const) {
      const visitor = await house.visitor().signIn(role);
      const { status } = await visitor.ask(endpoint.method, path(endpoint), endpoint.method === 'GET' ? undefined : {});
      if ((endpoint.who as readonly string[]).includes(role)) expect(status).not.toBe(403);
      else expect(status).toBe(403);
    }
  });
});

describe('people', () => {
  it('are added by the owner and can sign in', async () => {
    const owner = await house.visitor().signIn('owner');
    const draft = { id: uuidV7(), name: 'Pip Sallow', role: 'technician', passphrase: 'wind it down and true' };
    expect((await owner.ask('POST', '/api/people', draft)).status).toBe(201);
    expect((await owner.ask('POST', '/api/people', { ...draft, id: uuidV7(), name: 'PIP SALLOW' })).body.type).toBe('/problems/taken');
    const pip = await house.visitor().arrive();
    expect((await pip.ask('POST', '/api/session', { name: 'Pip Sallow', passphrase: draft.passphrase })).status).toBe(200);
  });

  it('cannot have a passphrase of three letters', async () => {
    const owner = await house.visitor().signIn('owner');
    const { status, body } = await owner.ask('POST', '/api/people', { id: uuidV7(), name: 'Short', role: 'counter', passphrase: 'abc' });
    expect(status).toBe(422);
    expect(body.fields).toEqual([{ field: 'passphrase', says: expect.stringContaining('at least 12 characters') }]);
  });

  it('change their own passphrase by giving the old one', async () => {
    const counter = await house.visitor().signIn('counter');
    const next = 'a tide table and a tuning fork';
    expect((await counter.ask('PUT', '/api/session/passphrase', { old: 'not it', new: next })).status).toBe(422);
    expect((await counter.ask('PUT', '/api/session/passphrase', { old: 'promised before the concert', new: next })).status).toBe(200);
    const again = await house.visitor().arrive();
    expect((await again.ask('POST', '/api/session', { name: 'Maud Ansty-Pell', passphrase: next })).status).toBe(200);
    await again.ask('PUT', '/api/session/passphrase', { old: next, new: 'promised before the concert' });
  });

  it('keep their units, measure and light', async () => {
    const technician = await house.visitor().signIn('technician');
    const preferences = {
      lengths: 'in',
      pull: 'lbf',
      slackMeasure: 'fist',
      theme: 'evening',
      turned: true,
      hand: { fistMm: 88, fingerMm: 19, spacerMm: 52 },
      alarmSound: true,
      methods: { turns: { bass: 3 } },
      showsPractice: true,
    };
    const { version } = (await technician.ask('GET', '/api/session')).body.person;
    const save = (wanted: object, read = version) =>
      technician.ask('PUT', '/api/session/preferences', { version: read, preferences: wanted });
    expect((await save(preferences)).body).toMatchObject({ version: version + 1, preferences });
    expect((await technician.ask('GET', '/api/session')).body.person.preferences).toEqual(preferences);
    const stale = await save({ ...preferences, theme: 'paper' });
    expect(stale.status).toBe(409);
    expect(stale.body.current.preferences.theme).toBe('evening');
    expect((await save({ ...preferences, pull: 'stone' }, version + 1)).body.fields[0]).toEqual({
      field: 'preferences.pull',
      says: 'must be one of N, kgf, lbf',
    });
    const child = { ...preferences, hand: { ...preferences.hand, fistMm: 8 } };
    expect((await save(child, version + 1)).body.fields[0].says).toContain('between 40 and 160 mm');
  });
});
