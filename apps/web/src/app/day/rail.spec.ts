import { describe, expect, it } from 'vitest';
import { USUAL_HOURS, type Day, type DayJob } from '@gold-peg/contract/day';
import type { Plan } from '@gold-peg/craft/day';
import { dayTime, duration, sayMoved } from './day-words';
import { railOf } from './rail';
import { timeScale } from './time-scale';

const id = (nth: number) => `01900000-0000-7000-8000-00000000000${nth}`;
/** A Thursday at half past nine, minutes from its midnight; open until noon, then from one to half past five, and the same on Friday. */
const windows: [number, number][] = [0, 1440].flatMap((day): [number, number][] => [[day + 540, day + 735], [day + 780, day + 1050]]); // prettier-ignore
const job = (nth: number, more: Partial<DayJob> = {}): DayJob => ({
  ...{ id: id(nth), instrumentId: id(nth), passport: 100 + nth, name: `Instrument ${nth}`, ownerName: 'P', reason: '', state: 'waiting' },
  ...{
    stage: 'choose',
    promisedAt: '2026-11-27T10:00:00Z',
    moves: false,
    kind: 'electric',
    ready: 0,
    hold: null,
    hangs: null,
    arrives: null,
    waitsFor: [],
    due: 1440 + 600,
  },
  ...{ weight: 1, operations: [] },
  ...more,
});
const day = (jobs: DayJob[]): Day => ({
  ...{
    origin: '2026-11-26T00:00:00Z',
    now: 570,
    version: 1,
    hours: USUAL_HOURS,
    toOrder: [],
    correction: { slope: 1, shift: 0 },
    open: windows,
    jobs,
    done: [],
    started: [],
    pinned: [],
    inForce: [],
  },
  people: [id(8), id(9)].map((person, nth) => ({
    id: person,
    name: ['Ada Quay', 'Bo Reef'][nth] ?? '',
    windows,
    can: ['electric'],
    overrun: 15,
  })),
});
const plan = (operations: Plan['operations']): Plan => ({
  operations,
  unplanned: [],
  reasons: {},
  objective: { late: 0, tardiness: 0, moved: 0, flow: 0 },
});
const at = (nth: number, operation: string, start: number, minutes: number, person = 8) => ({
  ...{ job: id(nth), operation, person: id(person), start, end: start + minutes },
});

describe('the scale of hours', () => {
  it('is open as well where somebody works outside the hours of the house', () => {
    const early = day([]);
    const [first, ...others] = early.people;
    if (first === undefined) throw new Error('there is somebody');
    const own: [number, number][] = [[420, 600], [780, 1050]]; // prettier-ignore
    const { closed } = timeScale({ ...early, now: 420, people: [{ ...first, windows: own }, ...others] }, { width: 1000, days: 1 });
    expect(closed.map(({ from, until }) => [from, until])).toEqual([[735, 780]]);
  });

  it('gives every open minute the same width, and closed hours a narrow one', () => {
    const { x, closed, ticks } = timeScale(day([]), { width: 1000, days: 2 });
    const [open, other] = [x(600) - x(540), x(1440 + 660) - x(1440 + 600)];
    expect(open).toBeCloseTo(other, 6);
    expect(closed.map(({ from, until, width }) => [from, until, Math.round(width)])).toEqual([[735, 780, 20], [1050, 1980, 38], [2175, 2220, 20]]); // prettier-ignore
    expect(x(2490)).toBeCloseTo(1000, 6);
    expect(ticks[0]).toMatchObject({ label: '9:00', day: 'Thu' });
    const named = ticks.filter(({ label }) => label !== '').map((tick) => tick.x);
    expect(Math.min(...named.slice(1).map((at, nth) => at - (named[nth] ?? 0)))).toBeGreaterThanOrEqual(48); // none lies over another
    expect(ticks.filter((tick) => tick.day !== '').map((tick) => tick.day)).toEqual(['Thu', 'Fri']);
  });
});

describe('a plan on the rail', () => {
  const jobs = [job(1), job(2, { moves: true, due: 700 }), job(3, { promisedAt: null, due: 9000 })];
  const told = railOf(
    day(jobs),
    plan([
      ...[at(1, 'restring', 570, 60), at(1, 'hand-over', 630, 8)],
      ...[at(2, 'restring', 640, 40), at(2, 'tune-1', 700, 3), at(2, 'hand-over', 1440 + 600, 8)],
      ...[at(3, 'restring', 570, 45, 9), at(3, 'hand-over', 615, 8, 9)],
    ]),
    { width: 1200, days: 2, promises: [1, 2].map((nth) => ({ job: id(nth), p50: 0, p90: 0, onTime: nth === 1 ? 0.995 : 0 })) },
  );

  it('puts each operation into the groove of its bench, as wide as its minutes', () => {
    const [first, second] = told.grooves;
    expect(told.blocks.filter(({ y }) => y === first?.y)).toHaveLength(5);
    const work = told.blocks.find(({ job: of, kind }) => of.id === id(3) && kind === 'work');
    expect([work?.y, work?.minutes]).toEqual([second?.y, 45]);
    expect((work?.width ?? 0) + 1).toBeCloseTo(told.scale.x(615) - told.scale.x(570), 6);
    expect(told.blocks.map(({ kind }) => kind).filter((kind) => kind === 'visit')).toHaveLength(1);
  });

  it('counts what begins beyond it, and draws nothing of that', () => {
    const short = railOf(day([job(1), job(2)]), plan([at(1, 'restring', 600, 60), at(2, 'restring', 1440 + 600, 60)]), {
      ...{ width: 1200, days: 1, promises: [] },
    });
    expect([short.grooves.map(({ beyond }) => beyond), short.lines.map(({ passport }) => passport)]).toEqual([[1, 0], ['0101']]);
  });

  it('keeps its blocks in the order of the rack, wherever they lie: what is in focus keeps it', () => {
    const lies = (first: number, second: number) =>
      railOf(day([job(1, { operations: [] }), job(2)]), plan([at(2, 'restring', second, 30), at(1, 'restring', first, 30)]), {
        ...{ width: 1200, days: 2, promises: [] },
      }).blocks.map(({ passport }) => passport);
    expect([lies(600, 700), lies(700, 600)]).toEqual([['0101', '0102'], ['0101', '0102']]); // prettier-ignore
  });

  it('hangs each job below its bench with its visits, and flags what is promised with the chance of it', () => {
    const [kept, late, open] = [1, 2, 3].map((nth) => told.lines.find((line) => line.job.id === id(nth)));
    expect(kept?.flag).toMatchObject({ says: '99 %', state: 'kept' });
    expect(late?.flag).toMatchObject({ says: '0 %', state: 'late' });
    expect(late?.visits).toHaveLength(1);
    // each passport over the beginning of its line, or behind the flag that would hide it
    expect([kept?.labelX, late?.labelX]).toEqual([10 + told.scale.x(630) + 16, 10 + told.scale.x(700) + 54]);
    expect(open?.flag).toBeNull();
    const lanes = told.lines.filter((line) => line.y < (told.grooves[1]?.y ?? 0)).map(({ y }) => y);
    expect(new Set(lanes).size).toBe(2); // both are there from the morning on: neither lies over the other
  });
});

describe('words of the day', () => {
  it('name an hour by the clock of the house, and the day where it is another', () => {
    expect([600, 1440 + 570].map((minute) => dayTime(day([]), minute))).toEqual(['10:00', 'Fri 9:30']);
    expect([12, 95].map(duration)).toEqual(['12\u00a0min', '1\u00a0h\u00a035']);
  });

  it('say what moved, and why', () => {
    const moved = { job: id(1), operation: 'restring', from: { person: id(8), start: 600 }, to: { person: id(9), start: 660 } };
    const found = sayMoved(day([job(1)]), { ...moved, why: 'no-hours', by: null });
    expect(found).toBe('0101, the bench work: from 10:00 to Bo Reef, 11:00, since Ada Quay is not there then.');
  });
});
