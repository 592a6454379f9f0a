import { TestBed } from '@angular/core/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { problem } from '@gold-peg/contract/problems';
import { Api } from './api';
import { Connection } from './connection';
import { sayProblem, ServerProblem } from './server-problem';

interface Asked {
  url: string;
  method: string;
  token: string;
  body: unknown;
}
type Reply = { status: number; body: unknown } | 'no answer';

const signedOutSession = { person: null, csrfToken: 'fresh token', demoSignIn: null };

describe('the client of the contract', () => {
  let api: Api;
  let connection: Connection;
  let asked: Asked[];
  let replies: Reply[];

  beforeEach(() => {
    asked = [];
    replies = [];
    // the wire is stood in for, nothing of ours is
    vi.stubGlobal('fetch', (url: string, init: RequestInit) => {
      const headers = init.headers as Record<string, string>;
      asked.push({
        url,
        method: init.method ?? '',
        token: headers['x-csrf-token'] ?? '',
        body: init.body === undefined ? undefined : JSON.parse(String(init.body)),
      });
      const reply = replies.shift() ?? 'no answer';
      if (reply === 'no answer') return Promise.reject(new TypeError('Failed to fetch'));
      return Promise.resolve(new Response(JSON.stringify(reply.body), { status: reply.status }));
    });
    api = TestBed.inject(Api);
    connection = TestBed.inject(Connection);
  });
  afterEach(() => vi.unstubAllGlobals());

  const failure = async (work: Promise<unknown>): Promise<ServerProblem> => {
    const error: unknown = await work.then(String, (reason: unknown) => reason);
    if (!(error instanceof ServerProblem)) throw new Error(`expected a problem, had ${String(error)}`);
    return error;
  };

  it('fills the path and the search, and leaves out what was not given', async () => {
    replies = [
      { status: 200, body: { events: [] } },
      { status: 200, body: { instruments: [], next: null, count: 0 } },
      { status: 200, body: { instruments: [], next: null, count: 0 } },
    ];
    await api.call('jobEvents', { params: { id: 'a/b' }, query: { after: 7 } });
    await api.call('listInstruments', { query: { search: 'six & four' } });
    await api.call('listInstruments', {});
    expect(asked.map(({ url }) => url)).toEqual(['/api/jobs/a%2Fb/events?after=7', '/api/instruments?search=six+%26+four', '/api/instruments']); // prettier-ignore
  });

  it('sends the token that the session gave with everything after', async () => {
    replies = [{ status: 200, body: signedOutSession }, { status: 200, body: { done: true } }]; // prettier-ignore
    await api.call('session', {});
    await api.call('changePassphrase', { body: { old: 'a', new: 'four turns below' } });
    expect(asked[1]).toMatchObject({ method: 'PUT', token: 'fresh token', body: { old: 'a', new: 'four turns below' } });
  });

  it('takes a new token and tries once more when the old one has ended, and only once', async () => {
    const forged = { status: 403, body: problem('forged-request', 'token') };
    replies = [forged, { status: 200, body: signedOutSession }, { status: 200, body: { done: true } }];
    await api.call('changePassphrase', { body: { old: 'a', new: 'four turns below' } });
    expect(asked.map(({ token }) => token)).toEqual(['', '', 'fresh token']);

    replies = [forged, { status: 200, body: signedOutSession }, forged];
    expect((await failure(api.call('changePassphrase', { body: { old: 'a', new: 'four turns below' } }))).kind).toBe('forged-request');
    expect(asked.length).toBe(6);
  });

  it.each([
    ['no answer', 'no answer' as const],
    ['a gateway without a server', { status: 504, body: null }],
    ['a database that is gone', { status: 503, body: problem('store-away', 'gone') }],
  ])('knows the server as away for %s, and as back with the next answer', async (_what, reply) => {
    replies = [reply, { status: 200, body: [] }];
    expect((await failure(api.call('listJobs', {}))).away).toBe(true);
    expect(connection.away()).toBe(true);
    await api.call('listJobs', {});
    expect(connection.away()).toBe(false);
  });

  it('hands on what the server says of a field', async () => {
    replies = [{ status: 422, body: problem('invalid', 'name must not be empty', [{ field: 'name', says: 'must not be empty' }]) }];
    const refused = await failure(api.call('addOwner', { body: { id: '01900000-0000-7000-8000-00000000000a', name: '', contact: '' } }));
    expect(refused).toMatchObject({ kind: 'invalid', away: false });
    expect(refused.problem.fields).toEqual([{ field: 'name', says: 'must not be empty' }]);
    expect(sayProblem(refused)).toBe('name must not be empty');
  });

  it('tells once that nobody is signed in any more', async () => {
    const heard = vi.fn();
    connection.signedOut.subscribe(heard);
    replies = [{ status: 401, body: problem('signed-out', 'Sign in first.') }, { status: 403, body: problem('not-allowed', 'no') }]; // prettier-ignore
    await failure(api.call('listJobs', {}));
    await failure(api.call('listJobs', {}));
    expect(heard).toHaveBeenCalledTimes(1);
  });

  it('does not take an answer that breaks the contract for one', async () => {
    replies = [{ status: 200, body: [{ id: 'half an owner' }] }];
    await expect(api.call('listOwners', {})).rejects.toThrow();
  });

  it('has a plain sentence for what nobody expected', () => expect(sayProblem(new RangeError('internal'))).not.toContain('internal'));
});
