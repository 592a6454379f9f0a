import { TestBed } from '@angular/core/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEFAULT_PREFERENCES } from '@gold-peg/contract/people';
import { problem, type ProblemType } from '@gold-peg/contract/problems';
import type { BenchEvent } from '@gold-peg/craft/worksheet';
import { Connection } from '../server/connection';
import { TIME_LIMIT } from '../server/interceptors';
import { Session } from '../session/session';
import { BenchDatabase } from './bench-database';
import { BenchLog } from './bench-log';

const job = { id: '01900000-0000-7000-8000-00000000000a', instrumentId: '01900000-0000-7000-8000-00000000000b' };
const person = { id: '01900000-0000-7000-8000-00000000000c', name: 'P', role: 'technician' as const, preferences: DEFAULT_PREFERENCES, version: 1 }; // prettier-ignore
const strip = (string: number) => ({ kind: 'string-off' as const, string, payload: {} });

/** A server at the far end of the wire: what it stored, and whether it answers. The wire is stood in for, nothing of ours is. */
class FarEnd {
  away = false;
  refuse: string | null = null;
  /** Id of an event at which the server fails, and how it says so. */
  fails: { id: string; kind: ProblemType } | null = null;
  /** Never answers, as a server that is stopped: only the page's own patience ends it. */
  silent = false;
  date: string | null = null;
  readonly stored = new Map<string, BenchEvent>();
  readonly requests: number[] = [];

  readonly fetch = (_url: RequestInfo | URL, init?: RequestInit): Promise<Response> => {
    if (this.silent) {
      this.requests.push(0);
      return new Promise((_, reject) => init?.signal?.addEventListener('abort', () => reject(new DOMException('', 'TimeoutError'))));
    }
    if (this.away) return Promise.reject(new TypeError('Failed to fetch'));
    const { events = [] } = JSON.parse(String(init?.body ?? '{}')) as { events?: BenchEvent[] };
    this.requests.push(events.length);
    if (events.length > 1 && events.some(({ id }) => id === this.refuse))
      return Promise.resolve(answer(problem('invalid', 'events.1 cannot be right', []), 422));
    const { fails } = this;
    if (fails !== null && events.some(({ id }) => id === fails.id)) {
      const said = problem(fails.kind, `the server says ${fails.kind}`);
      return Promise.resolve(answer(said, said.status));
    }
    const outcomes = events.map((event) => {
      const outcome = this.stored.has(event.id) ? 'already-stored' : event.id === this.refuse ? 'refused' : 'stored';
      if (outcome === 'stored') this.stored.set(event.id, event);
      return { id: event.id, outcome, seq: 1, says: outcome === 'refused' ? 'string must be at most 4' : null };
    });
    const answered = answer({ outcomes }, 200);
    if (this.date !== null) answered.headers.set('date', this.date);
    return Promise.resolve(answered);
  };
}
const answer = (body: unknown, status: number) =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });

describe('the bench log on a device', () => {
  let far: FarEnd;
  let log: BenchLog;
  let database: BenchDatabase;

  beforeEach(async () => {
    far = new FarEnd();
    vi.stubGlobal('fetch', far.fetch);
    TestBed.configureTestingModule({ providers: [{ provide: TIME_LIMIT, useValue: 150 }] }); // ten seconds, for who waits
    database = TestBed.inject(BenchDatabase);
    await database.events.clear();
    TestBed.inject(Session).person.set(person);
    log = TestBed.inject(BenchLog);
    await log.ready;
  });
  afterEach(() => {
    TestBed.resetTestingModule();
    database.close();
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
    localStorage.removeItem('gold-peg.clock-offset');
  });

  const settled = () => vi.waitFor(() => expect(log.waiting()).toEqual([]), { timeout: 6000 });

  it('has an event in IndexedDB before the server hears of it, bearing person, device and time', async () => {
    far.away = true;
    const event = await log.append(job, strip(6));
    const [kept] = await database.events.toArray();
    expect(kept).toMatchObject({ id: event.id, state: 'waiting', event: { kind: 'string-off', string: 6, personId: person.id } });
    expect(event.id[14]).toBe('7'); // UUID v7
    expect(far.stored.size).toBe(0);
  });

  it('sends what waited once the server is back, each event once', async () => {
    far.away = true;
    for (const string of [6, 5, 4]) await log.append(job, strip(string));
    expect(log.waiting().length).toBe(3);
    far.away = false;
    await settled();
    expect([...far.stored.values()].map((event) => ('string' in event ? event.string : 0))).toEqual([6, 5, 4]);
    expect((await database.events.toArray()).map(({ state }) => state)).toEqual(['stored', 'stored', 'stored']);
  });

  it('sorts its steps as they were taken, however fast, and by the server’s time where its own clock is wrong', async () => {
    const ids: string[] = [];
    for (let count = 0; count < 40; count++) ids.push((await log.append(job, strip(6))).id);
    expect(ids).toEqual([...ids].sort());
    far.date = new Date(Date.now() + 600_000).toUTCString();
    await log.append(job, strip(5));
    await settled();
    const after = await log.append(job, strip(4));
    expect(Math.abs(Date.parse(after.at) - Date.now() - 600_000)).toBeLessThan(1500);
    expect(after.id > (ids.at(-1) ?? '')).toBe(true);
    await settled();
  });

  it('does not let one event that cannot be right hold up the others', async () => {
    far.away = true;
    await log.append(job, strip(1));
    far.refuse = (await log.append(job, strip(9))).id;
    await log.append(job, strip(2));
    far.away = false;
    await settled();
    expect(far.stored.size).toBe(2);
    expect(log.refused()).toMatchObject([{ id: far.refuse, says: 'string must be at most 4' }]);
    await log.throwAway(far.refuse);
    expect(log.refused()).toEqual([]);
    expect(await database.events.get(far.refuse)).toBeUndefined();
  });

  it.each<ProblemType>(['failed', 'too-large', 'not-allowed'])(
    'sets an event aside that is answered with %s, sends the others, and sends it again when asked to',
    async (kind) => {
      far.away = true;
      await log.append(job, strip(1));
      far.fails = { id: (await log.append(job, strip(2))).id, kind };
      await log.append(job, strip(3));
      far.away = false;
      await settled();
      expect([...far.stored.values()].map((event) => ('string' in event ? event.string : 0))).toEqual([1, 3]);
      expect(log.refused()).toMatchObject([{ id: far.fails.id, says: `the server says ${kind}` }]);
      expect(await database.events.get(far.fails.id)).toMatchObject({ state: 'refused', says: `the server says ${kind}` });
      const { id } = far.fails;
      far.fails = null;
      await log.sendAgain(id);
      await settled();
      expect(log.refused()).toEqual([]);
      expect(far.stored.has(id)).toBe(true);
    },
  );

  it('gives a server that only failed, and at everything, time to get well', async () => {
    far.away = true;
    const { id } = await log.append(job, strip(1));
    far.fails = { id, kind: 'failed' };
    far.away = false;
    await vi.waitFor(() => expect(far.requests.length).toBeGreaterThanOrEqual(1), { timeout: 6000 });
    expect(log.refused()).toEqual([]);
    far.fails = null;
    await settled();
    expect(far.stored.has(id)).toBe(true);
  });

  it('is not held up for ever by a server that never answers', async () => {
    far.silent = true;
    await log.append(job, strip(6));
    await vi.waitFor(() => expect(TestBed.inject(Connection).away()).toBe(true), { timeout: 6000 });
    await vi.waitFor(() => expect(far.requests.length).toBeGreaterThan(1), { timeout: 6000 }); // tried again
    far.silent = false;
    await settled();
    expect(far.stored.size).toBe(1);
  });

  it('keeps the events of somebody else until they sign in on this device', async () => {
    far.away = true;
    await log.append(job, strip(6));
    TestBed.inject(Session).person.set({ ...person, id: '01900000-0000-7000-8000-00000000000d' });
    far.away = false;
    await log.append(job, strip(5));
    // it is stored there before the page has heard so
    await vi.waitFor(() => expect(log.waiting().map(({ personId }) => personId)).toEqual([person.id]), { timeout: 6000 });
    expect(far.stored.size).toBe(1);
  });

  it('forgets only what the kept file of the job holds', async () => {
    const first = await log.append(job, strip(6));
    await log.append(job, strip(5));
    await settled();
    await log.forget(job.id, new Set([first.id]));
    expect(log.local().map(({ event }) => ('string' in event ? event.string : 0))).toEqual([5]);
    expect(await database.events.count()).toBe(1);
  });
});
