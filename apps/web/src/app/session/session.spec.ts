import { TestBed } from '@angular/core/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEFAULT_PREFERENCES, type Preferences } from '@gold-peg/contract/people';
import { problem } from '@gold-peg/contract/problems';
import { Session } from './session';

const person = { id: '01900000-0000-7000-8000-00000000000c', name: 'P', role: 'technician' as const, preferences: DEFAULT_PREFERENCES, version: 1 }; // prettier-ignore
const reply = (body: unknown, status: number) => new Response(JSON.stringify(body), { status });
const answerOf = (who: typeof person | null) => ({ person: who, csrfToken: 't', demoSignIn: null });

describe('the session', () => {
  let server: () => Promise<Response>;
  const answers = (body: unknown, status = 200) => (server = () => Promise.resolve(new Response(JSON.stringify(body), { status })));
  const away = () => (server = () => Promise.reject(new TypeError('Failed to fetch')));
  const session = () => TestBed.inject(Session);

  beforeEach(() => {
    localStorage.clear();
    vi.stubGlobal('fetch', () => server());
  });
  afterEach(() => {
    vi.unstubAllGlobals();
    localStorage.clear();
  });

  it('is whoever the server says', async () => {
    answers(answerOf(person));
    await session().ask();
    expect(session().state()).toBe('signed-in');
    expect(session().person()?.name).toBe('P');
  });

  it('goes on as the person of this device while the server is away', async () => {
    answers(answerOf(person));
    await session().ask();
    TestBed.resetTestingModule();
    away();
    await session().ask();
    expect(session().state()).toBe('signed-in');
    expect(session().person()?.id).toBe(person.id);
  });

  it('lets nobody in while the server is away and the device knows nobody', async () => {
    away();
    await session().ask();
    expect(session().state()).toBe('signed-out');
  });

  it('forgets the person with signing out, so that the next one away from the server is not them', async () => {
    answers(answerOf(person));
    await session().ask();
    answers(answerOf(null));
    await session().signOut();
    TestBed.resetTestingModule();
    away();
    await session().ask();
    expect(session().person()).toBeNull();
  });

  it('says why nobody was signed out where the server is away, and asks again without that', async () => {
    answers(answerOf(person));
    await session().ask();
    away();
    await session().signOut();
    expect(session().state()).toBe('signed-in');
    expect(session().staysIn()).toBe(
      'You are still signed in. The server does not answer. Steps at the bench are kept on this device and are sent when it is back.',
    );
    answers(answerOf(null));
    await session().signOut();
    expect([session().state(), session().staysIn()]).toEqual(['signed-out', null]);
  });

  it('stays out when the passphrase does not fit', async () => {
    answers(problem('wrong-sign-in', 'Name and passphrase do not go together.'), 401);
    await expect(session().signIn('P', 'wrong')).rejects.toThrow('do not go together');
    expect(session().person()).toBeNull();
  });

  it('shows a preference at once and keeps it on the device, even while the server is away', async () => {
    answers(answerOf(person));
    await session().ask();
    away();
    await session().prefer({ pull: 'lbf' });
    expect(session().preferences()).toEqual({ ...DEFAULT_PREFERENCES, pull: 'lbf' });
    TestBed.resetTestingModule();
    await session().ask();
    expect(session().preferences().pull).toBe('lbf');
  });

  it('sends what was preferred while the server was away, on top of what was changed elsewhere meanwhile', async () => {
    answers(answerOf(person));
    await session().ask();
    away();
    await session().prefer({ pull: 'lbf' });
    TestBed.resetTestingModule();
    const elsewhere = { ...person, version: 2, preferences: { ...DEFAULT_PREFERENCES, theme: 'evening' as const, pull: 'kgf' as const } };
    const kept: unknown[] = [];
    let stale = true;
    vi.stubGlobal('fetch', (_url: string, init?: RequestInit) => {
      if (init?.method !== 'PUT') return Promise.resolve(reply(answerOf(person), 200));
      const body = JSON.parse(String(init.body)) as { version: number; preferences: Preferences };
      kept.push(body);
      const refusal = { ...problem('stale', 'changed elsewhere'), current: elsewhere };
      const said = stale ? reply(refusal, 409) : reply({ ...elsewhere, ...body, version: 3 }, 200);
      stale = false;
      return Promise.resolve(said);
    });
    await session().ask();
    await vi.waitFor(() => expect(kept).toHaveLength(2));
    expect(kept[1]).toEqual({ version: 2, preferences: { ...DEFAULT_PREFERENCES, theme: 'evening', pull: 'lbf' } });
    await vi.waitFor(() => expect(session().person()?.version).toBe(3));
    expect(localStorage.getItem('gold-peg.preferences-waiting')).toBeNull();
  });
});
