import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 as uuidV7 } from 'uuid';
import type { JobSummary, WorksheetFile } from '@gold-peg/contract/jobs';
import type { Passport } from '@gold-peg/contract/register';
import type { BenchEvent, BenchEventKind, EventOf } from '@gold-peg/craft/worksheet';
import { openStore } from '../store/index.js';
import { eventHead, openHouse, type TestHouse, rebuild } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';
import { rebuildWhereAsked } from './index.js';

let house: TestHouse;
let technician: Visitor;
let job: JobSummary;

beforeAll(async () => {
  house = await openHouse();
  technician = await house.visitor().signIn('technician');
  job = await technician.job(109); // a bass of four strings
});
afterAll(() => house.close());

const BEGAN = Date.parse('2026-11-20T09:00:00Z');
/** What happened so many minutes after the beginning. */
function happened<K extends BenchEventKind>(minutes: number, what: Pick<EventOf<K>, 'kind' | 'payload'> & { string?: number }): BenchEvent {
  const at = BEGAN + minutes * 60_000;
  return { ...eventHead(job, technician.personId), id: uuidV7({ msecs: at }), at: new Date(at).toISOString(), ...what } as BenchEvent;
}
const send = async (...events: BenchEvent[]) => (await technician.ask('POST', '/api/events', { events })).body.outcomes;
const sheet = async (who = technician) => (await who.ask('GET', `/api/jobs/${job.id}`)).body as WorksheetFile;
const basses = async () => (await sheet()).times.filter(({ family, personId }) => family === 'bass' && personId === technician.personId);

const STRINGS = [1.143, 1.651, 2.159, 2.667].map((gaugeMm) => ({ construction: 'wound' as const, gaugeMm }));

describe('what stages took', () => {
  it('is known of a job once it is handed over, without its breaks, and forgotten when that is taken back', async () => {
    const before = (await basses()).length;
    const end = happened(40, { kind: 'handed-over', payload: { remark: '' } });
    await send(
      happened(0, { kind: 'set-chosen', payload: { name: 'a set', family: 'bass', strings: STRINGS } }),
      happened(3, { kind: 'string-off', string: 4, payload: {} }),
      happened(5, { kind: 'paused', payload: {} }),
      happened(25, { kind: 'resumed', payload: {} }),
      happened(30, { kind: 'anchored', string: 4, payload: {} }),
    );
    expect(await basses()).toHaveLength(before);
    await send(end);
    const times = (await basses()).slice(0, 3);
    const minutes = Object.fromEntries(times.map((time) => [time.stage, time.minutes]));
    expect(minutes).toMatchObject({ strip: 3, anchor: 7, 'hand-over': 10 });
    await send(happened(41, { kind: 'undone', payload: { eventId: end.id } }));
    expect(await basses()).toHaveLength(before);
    await send(happened(50, { kind: 'handed-over', payload: { remark: '' } }));
  });

  it('makes the estimate of this person: the demo’s technician takes his time, the owner never restrung anything', async () => {
    const owner = await house.visitor().signIn('owner');
    const listed = async (who: Visitor) =>
      ((await who.ask('GET', '/api/jobs')).body as JobSummary[]).find(({ instrument }) => instrument.passport === 117);
    const [his, hers] = [await listed(technician), await listed(owner)];
    expect(his?.learnedFrom).toBeGreaterThan(2);
    expect(hers?.learnedFrom).toBe(0);
    expect(his?.attendedMinutes).toBeGreaterThan(40); // what six strings of a flat-top are expected to take
    expect(hers?.attendedMinutes).toBeGreaterThan(40); // what others took is a hint, and no more
    expect(hers?.attendedMinutes).toBeLessThan(his?.attendedMinutes ?? 0);
  });

  it('rebuilds from the log', async () => {
    const before = (await sheet()).times;
    await rebuild(house.store);
    expect((await sheet()).times).toEqual(before);
  });

  it('is there after an upgrade that brings the table: a house that worked before it has learned already', async () => {
    const before = (await sheet()).times;
    for (let back = 0; back < 4; back++) await house.store.undoLastMigration();
    const upgraded = await openStore(house.databaseUrl);
    await rebuildWhereAsked(upgraded);
    await upgraded.destroy();
    expect((await sheet()).times).toEqual(before);
  });
});

describe('what was found and measured', () => {
  const refusal = async (event: BenchEvent) => (await send(event))[0];

  it('stays in the passport with the setup of its job', async () => {
    const bench = await technician.job(112);
    job = bench;
    await send(
      happened(60, {
        kind: 'set-chosen',
        payload: {
          name: 'a set',
          family: 'mandolin',
          strings: Array.from({ length: 8 }, () => STRINGS[0] ?? { construction: 'wound', gaugeMm: 1 }),
        },
      }),
      happened(61, { kind: 'found', payload: { what: 'groove', severity: 'soon', string: 8, fret: 2, wood: null, text: '' } }),
      happened(62, { kind: 'measured', payload: { what: 'saddle-height', valueMm: 17.5, string: 8, by: 'depth-gauge' } }),
      happened(63, { kind: 'handed-over', payload: { remark: '' } }),
    );
    const { setups } = (await technician.ask('GET', `/api/instruments/${bench.instrument.id}`)).body as Passport;
    const setup = setups.find(({ jobId }) => jobId === bench.id);
    expect(setup?.findings).toMatchObject([{ what: 'groove', string: 8, fret: 2 }]);
    expect(setup?.measurements).toMatchObject([{ what: 'saddle-height', valueMm: 17.5, string: 8 }]);
  });

  it('is refused under a string that the instrument does not have', async () => {
    const nine = happened(70, { kind: 'found', payload: { what: 'slot-binds', severity: 'soon', string: 9, fret: null, wood: null, text: '' } }); // prettier-ignore
    expect(await refusal(nine)).toMatchObject({ outcome: 'refused', says: expect.stringContaining('payload.string must be at most 8') });
  });
});
