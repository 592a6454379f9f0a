import { describe, expect, it } from 'vitest';
import { USUAL_HOURS, type Day } from '@gold-peg/contract/day';
import { dangersOf, jobRows } from './job-rows';

const id = '01900000-0000-7000-8000-000000000001';
const piece = (name: string, minutes: number, after = 0) => ({ id: name, minutes, minutesP50: minutes, minutesP90: minutes, after, same: false }); // prettier-ignore
/** A Thursday at nine; promised for two hours later. */
const day = (due: number, operations = [piece('restring', 60), piece('hand-over', 10)]): Day => ({
  ...{
    origin: '2026-11-26T00:00:00Z',
    now: 540,
    version: 1,
    hours: USUAL_HOURS,
    toOrder: [],
    correction: { slope: 1, shift: 0 },
    open: [],
    people: [],
    done: [],
    started: [],
    pinned: [],
    inForce: [],
  },
  jobs: [
    {
      ...{ id, instrumentId: id, passport: 98, name: 'A classical', ownerName: 'Odile Fennimarsh', reason: 'dull', state: 'waiting' },
      ...{
        stage: 'choose',
        promisedAt: '2026-11-26T11:00:00Z',
        moves: true,
        kind: 'classical',
        ready: 0,
        hold: null,
        hangs: null,
        arrives: null,
        waitsFor: [],
        due,
        weight: 1,
        operations,
      },
    },
  ],
});
const ending = (end: number) => ({
  operations: [{ job: id, operation: 'hand-over', person: id, start: end - 10, end }],
  unplanned: [],
  reasons: {},
  objective: { late: 0, tardiness: 0, moved: 0, flow: 0 },
});
const chance = (onTime: number) => [{ job: id, p50: null, p90: null, onTime }];

describe('the rack as it is planned', () => {
  it('says until when strings hang before it is begun, and for which parts it waits', () => {
    const waitsWith = (more: Partial<Day['jobs'][number]>) => {
      const given = day(3000);
      return jobRows({ ...given, jobs: given.jobs.map((job) => ({ ...job, ...more })) }, null, [])[0]?.waits;
    };
    // a day and ten hours after midnight of a Thursday
    expect(waitsWith({ hold: 2040, hangs: 2040 })).toBe('its strings hang until Fri 10:00');
    const waitsFor = [{ kind: 'set' as const, id: 'a', name: 'a nylon set' }];
    expect(waitsWith({ hold: 2100, waitsFor })).toBe('waits for a nylon set, there by Fri 11:00');
    expect(waitsWith({})).toBeNull();
  });

  it('is there before anything is planned, and says of what nobody knows yet nothing', () => {
    expect(jobRows(day(660), null, [])[0]).toMatchObject({ takes: '1\u00a0h\u00a000', ready: '…', chance: null, lateBy: 0, later: null });
  });

  it('waits for its parts in words, and for its owner once its strings hold and nothing else is left', () => {
    const waiting = day(660);
    const [job] = waiting.jobs;
    if (job === undefined) throw new Error('there is a job');
    const waits = {...job, hold: 1980, arrives: { p50: 1980, p90: 3000 }, waitsFor: [{ kind: 'set' as const, id: 's', name: '.028–.043 nylon' }] }; // prettier-ignore
    expect(jobRows({ ...waiting, jobs: [waits] }, null, [])[0]?.waits).toBe('waits for .028–.043 nylon, there by Fri 9:00');
    const strung = day(660, [piece('begun', 1), piece('hand-over', 10, 60)]);
    const since = (end: number) => ({ ...strung, done: [{ job: id, operation: 'begun', person: id, end }] });
    expect([481, 480].map((end) => jobRows(since(end), null, [])[0]?.isReady)).toEqual([false, true]);
  });

  it('offers the next half hour by which nine in ten are ready, while the house is open', () => {
    const open: [number, number][] = [[540, 735], [780, 1050]]; // prettier-ignore
    const later = (p90: number) => jobRows({ ...day(660), open }, ending(700), [{ job: id, p50: 600, p90, onTime: 0 }])[0]?.later;
    expect([later(611), later(735), later(1049)].map((each) => each?.says)).toEqual(['10:30', '13:00', '17:30']);
    expect(later(611)?.at.toISOString()).toBe('2026-11-26T10:30:00.000Z');
    expect(later(1051)).toBeNull(); // beyond what is planned nobody promises
  });

  it('is kept, doubtful under 80 in 100, and late by what is over', () => {
    expect(jobRows(day(660), ending(640), chance(0.95))[0]).toMatchObject({ state: 'kept', ready: '10:40', promised: '11:00', lateBy: 0 });
    expect(jobRows(day(660), ending(655), chance(0.6))[0]).toMatchObject({ state: 'doubtful', chance: 0.6 });
    expect(jobRows(day(660), ending(700), chance(0))[0]).toMatchObject({ state: 'late', lateBy: 40 });
  });

  it('says of what waits for its strings that no order of work keeps it', () => {
    const waiting = day(660);
    const [job] = waiting.jobs;
    if (job === undefined) throw new Error('there is a job');
    const held = { ...waiting, jobs: [{ ...job, hold: 640, waitsFor: [{ kind: 'set' as const, id: 's', name: '.030–.130' }] }] };
    const [danger] = dangersOf(held, jobRows(held, ending(710), chance(0)));
    expect(danger?.gives).toEqual([
      'the hour, for one that nobody knows yet; no order of work keeps it: it waits for .030–.130, there by 10:40, and takes 1\u00a0h\u00a010 from then',
    ]);
  });

  it('says what would have to give: the hour where no order of work keeps it', () => {
    const crowded = day(660);
    const [given] = dangersOf(crowded, jobRows(crowded, ending(700), chance(0)));
    expect(given?.says).toBe('promised 11:00, ready 11:40, 40\u00a0min late');
    expect(given?.gives).toHaveLength(2);
    const settling = day(660, [piece('restring', 60), piece('hand-over', 10, 1440)]);
    const [alone] = dangersOf(settling, jobRows(settling, ending(2060), chance(0)));
    expect(alone?.gives).toEqual([
      'the hour, for one that nobody knows yet; no order of work keeps it: its own work and settling alone take 25\u00a0h\u00a010',
    ]);
  });
});
