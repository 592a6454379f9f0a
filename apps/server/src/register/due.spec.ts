import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { DueEntry, Passport } from '@gold-peg/contract/register';
import { dueOf } from '@gold-peg/craft/wear';
import { InstrumentRow } from '../store/index.js';
import { DEMO_NOW, openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

let house: TestHouse;
let counter: Visitor;
beforeAll(async () => {
  house = await openHouse();
  counter = await house.visitor().signIn('counter');
});
afterAll(() => house.close());

const DAY_MS = 86_400_000;
const far = new Date(DEMO_NOW.getTime() + 900 * DAY_MS).toISOString();
const due = async (query: string) => (await counter.ask('GET', `/api/due?${query}`)).body as { entries: DueEntry[]; next: number | null };
const passportOf = async (passport: number): Promise<Passport> => {
  const { id } = await house.store.getRepository(InstrumentRow).findOneByOrFail({ passport });
  return (await counter.ask('GET', `/api/instruments/${id}`)).body as never;
};

describe('what should come back', () => {
  it('is every instrument whose strings are known and that is not in the workshop, the earliest first, page by page', async () => {
    const { entries } = await due(`until=${far}`);
    expect(entries.length).toBeGreaterThan(2);
    for (const { instrument, due: when, string } of entries) {
      expect(instrument.openJobId).toBeNull();
      expect(when.low <= when.likely && when.likely <= when.high).toBe(true);
      expect(string).toBeLessThanOrEqual(instrument.stringCount);
    }
    const likely = entries.map(({ due: when }) => when.likely);
    expect(likely).toEqual([...likely].sort());
    const pages: string[] = [];
    for (let next: number | null | undefined = undefined; next !== null;) {
      const page = await due(`until=${far}&limit=2${next === undefined ? '' : `&after=${next}`}`);
      pages.push(...page.entries.map(({ instrument }) => instrument.name));
      next = page.next;
    }
    expect(pages).toEqual(entries.map(({ instrument }) => instrument.name));
    expect((await due(`until=${likely[0]}`)).entries.length).toBeLessThanOrEqual(1);
  });

  it('is reckoned by the clock of the house, as its passport is on every device', async () => {
    const then = await openHouse(house.databaseUrl, undefined, 'rack', () => DEMO_NOW);
    const asker = await then.visitor().signIn('counter');
    const { entries } = (await asker.ask('GET', `/api/due?until=${far}`)).body as { entries: DueEntry[] };
    expect(entries.length).toBeGreaterThan(2);
    for (const { instrument, due: when, string } of entries) {
      const { geometry, setups, hours } = await passportOf(instrument.passport);
      const asked = hours === null ? null : { weeklyHours: hours.weeklyHours, askedAt: Date.parse(hours.askedAt) };
      const known = dueOf({ family: geometry.family, setups, hours: asked }, DEMO_NOW.getTime());
      expect(string).toBe(known?.string);
      expect(Date.parse(when.likely)).toBeCloseTo(known?.wear.get(string)?.due.likely ?? 0, -1);
    }
    await then.close();
  });

  it('comes sooner for who plays more, and is told as what the player said', async () => {
    const [first] = (await due(`until=${far}`)).entries;
    const before = await passportOf(first?.instrument.passport ?? 0);
    const { name, ownerId, remark, version, id } = before;
    const hours = { weeklyHours: 30, askedAt: DEMO_NOW.toISOString() };
    const { status, body } = await counter.ask('PUT', `/api/instruments/${id}`, { name, ownerId, remark, version, hours });
    expect([status, body.hours]).toEqual([200, hours]);
    const again = (await due(`until=${far}`)).entries.find(({ instrument }) => instrument.id === id);
    expect(again?.hours).toEqual(hours);
    expect(Date.parse(again?.due.likely ?? '')).toBeLessThan(Date.parse(first?.due.likely ?? ''));
    // a change that says nothing of hours leaves them, and one that forgets them does
    const kept = await counter.ask('PUT', `/api/instruments/${id}`, { name, ownerId, remark: 'kept', version: version + 1 });
    expect(kept.body.hours).toEqual(hours);
    const forgotten = await counter.ask('PUT', `/api/instruments/${id}`, { name, ownerId, remark, version: version + 2, hours: null });
    expect(forgotten.body.hours).toBeNull();
    const refused = await counter.ask('PUT', `/api/instruments/${id}`, {
      name,
      ownerId,
      remark,
      version: version + 3,
      hours: { ...hours, weeklyHours: 170 },
    });
    expect([refused.status, refused.body.detail]).toEqual([422, expect.stringContaining('between 0 and 100 h: a week has 168 hours')]);
  });

  it('is a calendar too, one whole day for each', async () => {
    const { entries } = await due(`until=${far}`);
    const { type, body } = await counter.ask('GET', `/api/due.ics?until=${far}`);
    const text = body as string;
    expect(type).toContain('text/calendar');
    expect(text.match(/BEGIN:VEVENT/g)?.length).toBe(entries.length);
    const at = (entries[0]?.due.likely ?? '').slice(0, 10).replaceAll('-', '');
    expect(text).toContain(`DTSTART;VALUE=DATE:${at}`);
    expect(text).toContain(`SUMMARY:${entries[0]?.instrument.name.replace(',', '\\,')} is due for strings`);
  });
});

describe('a calendar that subscribes', () => {
  const address = async (method: 'GET' | 'POST' | 'DELETE') =>
    (await counter.ask(method, '/api/calendars/due', method === 'POST' ? {} : undefined)).body as { path: string | null };

  it('reads what is due under an address that only the house tells, until that is made anew or withdrawn', async () => {
    expect(await address('GET')).toEqual({ path: null });
    const { path } = await address('POST');
    const stranger = house.visitor();
    const { type, body, status } = await stranger.ask('GET', path ?? '');
    expect([status, type]).toEqual([200, 'text/calendar; charset=utf-8']);
    expect(body).toContain('BEGIN:VEVENT');
    expect(await address('GET')).toEqual({ path });
    const again = await address('POST');
    expect(again.path).not.toBe(path);
    expect((await stranger.ask('GET', path ?? '')).status).toBe(404);
    expect(await address('DELETE')).toEqual({ path: null });
    expect((await stranger.ask('GET', again.path ?? '')).status).toBe(404);
    expect((await stranger.ask('GET', '/api/calendars/due/guess')).status).toBe(404);
    expect((await stranger.ask('GET', '/api/calendars/due')).status).toBe(401);
  });
});
