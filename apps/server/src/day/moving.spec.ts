import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { AskedJob, Day, Visits } from '@gold-peg/contract/day';
import type { Passport } from '@gold-peg/contract/register';
import { rackFault } from '@gold-peg/craft/day';
import { setsFor } from '@gold-peg/craft/strings';
import { DEMO_NOW, eventHead, openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';
import { benchWriter } from '../demo/bench-history.js';
import { daySheetDocument } from '../papers/day-sheet-pdf.js';
import { toldOf } from './told.js';

let house: TestHouse;
let technician: Visitor;
/** A Tuesday, ten o'clock by the clock of the harbour. */
const now = DEMO_NOW;

beforeAll(async () => {
  house = await openHouse(undefined, pino({ level: 'silent' }), 'rack', () => now);
  technician = await house.visitor().signIn('technician');
});
afterAll(() => house.close());

const read = async () => (await technician.ask('GET', '/api/day')).body as Day;

describe('strings that hang under their pull', () => {
  it('move while nobody needs the bench: the work waits for them, and with its end they hold', async () => {
    const job = await technician.job(98);
    const { geometry } = (await technician.ask('GET', `/api/instruments/${job.instrument.id}`)).body as Passport;
    const [set] = setsFor(geometry.family, geometry.strings.length);
    if (set === undefined) throw new Error('there is a set for it');
    const head = eventHead(job, technician.personId);
    const writer = benchWriter({...head, instrumentId: job.instrument.id, geometry, startedAt: new Date(now.getTime() - 60_000), pace: 0.6 }); // prettier-ignore
    writer.choose(set);
    const hung = { ...eventHead(job, technician.personId), at: now.toISOString(), kind: 'set-hung', payload: {} };
    const { outcomes } = (await technician.ask('POST', '/api/events', { events: [...writer.events, hung] })).body;
    expect(outcomes.map(({ outcome }: { outcome: string }) => outcome)).toEqual(['stored', 'stored']);
    const day = await read();
    const own = day.jobs.find(({ id }) => id === job.id);
    const work = own?.operations.filter(({ id }) => id.startsWith('restring')).reduce((sum, { minutesP50 }) => sum + minutesP50, 0) ?? 0;
    expect(own?.hold).toBe(own?.hangs);
    expect(Math.abs((own?.hangs ?? 0) + work - (day.now + 24 * 60))).toBeLessThanOrEqual(1); // a day under pull, by workshop practice
    expect(own?.operations.filter(({ id }) => id.startsWith('tune-'))).toEqual([]);
    expect(own?.operations.reduce((sum, { after }) => sum + after, 0)).toBeLessThanOrEqual(15); // the forecast goes by quarters of an hour
    expect(rackFault(day)).toBeNull();
    await technician.ask('POST', '/api/events', {
      events: [...writer.events, hung].map(({ id: eventId }) => ({
        ...{ ...eventHead(job, technician.personId), at: now.toISOString() },
        ...{ kind: 'undone', payload: { eventId } },
      })),
    });
    expect((await read()).jobs.find(({ id }) => id === job.id)?.hangs).toBeNull();
  });

  it('are asked for at intake where strings move, and nowhere else', async () => {
    const askedOf = async (passport: string) => {
      const [instrument] = (await technician.ask('GET', `/api/instruments?search=${passport}`)).body.instruments;
      return (await technician.ask('GET', `/api/day/asked/${instrument.id}`)).body as AskedJob;
    };
    const nylon = await askedOf('0133');
    expect(nylon.hung?.hangs).toBeGreaterThan(nylon.day.now + 12 * 60);
    expect(nylon.job.hangs).toBeNull();
    expect((await askedOf('0140')).hung).toBeNull();
  });
});

describe('strings that were left to move', () => {
  const HOUR = 3_600_000;

  /** Strung, tuned and left half an hour ago. */
  async function leaveToMove(passport: number) {
    const job = await technician.job(passport);
    const { geometry } = (await technician.ask('GET', `/api/instruments/${job.instrument.id}`)).body as Passport;
    const startedAt = new Date(now.getTime() - 1.5 * HOUR);
    const writer = benchWriter({ ...eventHead(job, technician.personId), instrumentId: job.instrument.id, geometry, startedAt, pace: 0.6 });
    const set = setsFor(geometry.family, geometry.strings.length).find(({ strings }) =>
      strings.every(({ construction }) => construction === 'nylon'),
    );
    if (set === undefined) throw new Error('there is a nylon set');
    writer.choose(set);
    const each = (work: (string: number) => void) => geometry.strings.forEach((_, index) => work(index + 1));
    for (const stage of ['ready', 'strip', 'look-over', 'anchor'] as const) each((string) => writer.tick(stage, string));
    each((string) => writer.wind(set, string));
    each((string) => writer.tick('bring-up', string));
    each((string) => writer.settle(string));
    each((string) => writer.tick('trim', string));
    const { outcomes } = (await technician.ask('POST', '/api/events', { events: writer.events })).body;
    expect(new Set(outcomes.map(({ outcome }: { outcome: string }) => outcome))).toEqual(new Set(['stored']));
    return { job, last: Date.parse(writer.events.at(-1)?.at ?? '') };
  }

  it('are told of as soon as they are to be tuned again, or when the plan has it', async () => {
    const { job, last } = await leaveToMove(115);
    const visitOf = async () =>
      ((await technician.ask('GET', '/api/day/visits')).body as Visits).visits.find(({ jobId }) => jobId === job.id);
    const wanted = await visitOf();
    expect(wanted).toMatchObject({ passport: 115, name: 'Pipit concert ukulele, mahogany' });
    expect(Date.parse(wanted?.at ?? '')).toBeGreaterThanOrEqual(last - 60_000);
    expect(Date.parse(wanted?.at ?? '')).toBeLessThan(last + 2 * HOUR);
    const day = await read();
    const after = (minutes: number) => new Date(Date.parse(wanted?.at ?? '') + minutes * 60_000).toISOString();
    const later = after(20);
    const operations = [{ jobId: job.id, operation: 'tune-1', personId: day.people[0]?.id, startAt: later }];
    expect((await technician.ask('PUT', '/api/day/plan', { version: day.version, operations })).status).toBe(200);
    expect((await visitOf())?.at).toBe(later);
    // strung earlier than was planned, they do not wait for the hour of before
    const { version } = await read();
    await technician.ask('PUT', '/api/day/plan', { version, operations: [{ ...operations[0], startAt: after(60) }] });
    expect([(await read()).inForce, (await visitOf())?.at]).toEqual([[], wanted?.at]);
    await technician.ask('PUT', '/api/day/plan', { version: version + 1, operations });
  });

  it('are in the calendar of visits alone and in that of the day, under one name however often they are planned', async () => {
    const read = async (of: string) => (await technician.ask('GET', `/api/day.ics?of=${of}`)).body as string;
    const [visits, all, handOvers] = await Promise.all(['visits', 'day', 'hand-overs'].map(read));
    expect(visits?.match(/BEGIN:VEVENT/g)).toHaveLength(1);
    expect(visits).toContain('SUMMARY:0115 Pipit concert ukulele\\, mahogany: tune again');
    expect(visits).toContain('BEGIN:VALARM');
    expect(all).toContain('tune again');
    expect(handOvers).not.toContain('BEGIN:VEVENT');
    const before = /UID:(.*)\r/.exec(visits ?? '')?.[1];
    const day = await technician.ask('GET', '/api/day');
    const [place] = (day.body as Day).inForce;
    const startAt = new Date(Date.parse(day.body.origin) + ((place?.start ?? 0) + 5) * 60_000).toISOString();
    const operations = [{ jobId: place?.job, operation: place?.operation, personId: place?.person, startAt }];
    await technician.ask('PUT', '/api/day/plan', { version: day.body.version, operations });
    const again = await read('visits');
    expect(again).toContain(`UID:${before}`);
    const counts = (text: string) => Number(/SEQUENCE:(\d+)/.exec(text)?.[1]);
    expect(counts(again)).toBeGreaterThan(counts(visits ?? ''));
    const { path } = (await technician.ask('POST', '/api/calendars/visits', {})).body;
    const stranger = house.visitor();
    expect((await stranger.ask('GET', path)).body).toContain(`UID:${before}`);
    expect((await stranger.ask('GET', path.replace('visits', 'day'))).status).toBe(404); // each has a secret of its own
  });

  it('stand on the paper of the day', async () => {
    const day = await read();
    const text = JSON.stringify(daySheetDocument(day, toldOf(day)));
    expect(text).toContain('Tuesday 26 May');
    expect(text).toContain('Pipit concert ukulele, mahogany, Jessamy Roke');
    expect((await technician.ask('GET', '/api/day/sheet.pdf')).type).toBe('application/pdf');
  });
});
