import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { piece, somebody, someJob, someRack } from '../testing/index.js';
import { planDay, promises, type Rack } from './index.js';

const time = { seed: 1, iterations: 200, goesOn: () => true };
const of = (rack: Rack, draws = 4000) => promises(rack, planDay(rack, time), { draws, seed: 7 });
/** 10th, 50th, 90th percentile of a lognormal whose 90th is half as much again as its median lie by the same factor. */
const timed = (id: string, p50: number, p90: number, after = 0) => ({ ...piece(id, p50, after), minutesP50: p50, minutesP90: p90 });

describe('the chance of a promise', () => {
  it('is that of the minutes alone where nothing else is in the way: half by the median, nine in ten by the 90th percentile', () => {
    const [one] = of(someRack([someJob('a', 40, [timed('restring', 40, 60)])]));
    expect(one?.onTime).toBeCloseTo(0.5, 1);
    expect(one?.p50).toBeGreaterThan(39);
    expect(one?.p50).toBeLessThan(41);
    expect(one?.p90).toBeGreaterThan(58);
    expect(one?.p90).toBeLessThan(62);
    const [due] = of(someRack([someJob('a', 60, [timed('restring', 40, 60)])]));
    expect(due?.onTime).toBeGreaterThan(0.88);
    expect(due?.onTime).toBeLessThan(0.92);
  });

  it('takes one and a half times the median for the 90th percentile where nobody said more', () => {
    const [said] = of(someRack([someJob('a', 60, [timed('restring', 40, 60)])]));
    const [unsaid] = of(someRack([someJob('a', 60, [piece('restring', 40)])]));
    expect(unsaid).toEqual(said);
  });

  it('waits as long as strings need, and lets whoever is behind be late with what follows', () => {
    const nylon = someJob('n', 200, [timed('restring', 40, 40), { ...timed('tune', 3, 3, 100), same: false }]);
    const [told] = of(someRack([nylon]));
    expect([told?.p50, told?.p90]).toEqual([143, 143]); // nothing varies: 40, 100 of waiting, 3
    const [first, second] = of(someRack([someJob('x', 60, [timed('restring', 40, 60)]), someJob('y', 90, [timed('restring', 40, 40)])]));
    // the second ends 40 after the first: in time as often as the first takes 50 at most, z = ln 1.25 / (ln 1.5 / 1.2816)
    expect(first?.onTime).toBeCloseTo(0.9, 1);
    expect(Math.abs((second?.onTime ?? 0) - 0.7597)).toBeLessThan(0.02);
  });

  it('is none past the last window, and something with what people go on past it', () => {
    const rack = (overrun: number) =>
      someRack([someJob('a', 300, [timed('restring', 40, 60)])], { people: [somebody('a', [[0, 40]], ['steel'], overrun)] });
    const [strict] = of(rack(0));
    expect(strict?.onTime).toBeCloseTo(0.5, 1);
    expect(strict?.p90).toBeNull();
    const [lenient] = of(rack(20));
    expect(lenient?.onTime).toBeCloseTo(0.9, 1);
  });

  it('goes on with what is started, for the minutes that are left', () => {
    const started = [{ job: 'a', operation: 'restring', person: 'a', start: -0, minutesLeft: 12 }];
    const [told] = of(someRack([someJob('a', 100, [timed('restring', 40, 40)])], { now: 50, started }));
    expect(told).toEqual({ job: 'a', p50: 62, p90: 62, onTime: 1 });
  });

  it('waits for a part that may come sooner or later than planned, never before the job is ready', () => {
    const waits = (ready: number) => someJob('a', 200, [timed('restring', 10, 10)], { ready, hold: 120, arrives: { p50: 100, p90: 200 } });
    const [told, late, planned] = [waits(0), waits(150), { ...waits(0), arrives: null }].map((each) => of(someRack([each]))[0]);
    expect(Math.abs((told?.p50 ?? 0) - 110)).toBeLessThan(3);
    expect(Math.abs((told?.p90 ?? 0) - 210)).toBeLessThan(8);
    expect(late?.p50).toBe(160);
    expect([planned?.p50, planned?.p90]).toEqual([130, 130]);
    const [away] = of(someRack([{ ...waits(0), arrives: { p50: 60, p90: 160 } }], { now: 40 })); // half of them in 20 minutes, nine in ten in 120
    expect(Math.abs((away?.p50 ?? 0) - 70)).toBeLessThan(3);
    expect(Math.abs((away?.p90 ?? 0) - 170)).toBeLessThan(10);
  });

  it('goes on from what is done, and holds what is pinned where it is', () => {
    const strung = someJob('a', 200, [timed('strip', 5, 5), timed('restring', 10, 10), timed('tune', 3, 3, 60)]);
    const done = ['strip', 'restring'].map((operation, nth) => ({ job: 'a', operation, person: 'a', end: 20 + 10 * nth }));
    const other = { job: 'o', operation: 'restring', person: 'a', end: 45 };
    const jobs = [someJob('o', 200, [timed('restring', 10, 10)]), strung];
    expect(of(someRack(jobs, { now: 50, done: [other, ...done] }))[1]).toMatchObject({ p50: 93, p90: 93 }); // 30, 60 of waiting, 3
    const pinned = [{ job: 'a', operation: 'restring', person: 'a', start: 70 }];
    expect(of(someRack([strung], { pinned }))[0]).toMatchObject({ p50: 143, p90: 143 }); // 80, 60, 3
  });

  it('is none for what is left out, whose pin keeps its person all the same', () => {
    const out = someJob('out', 100, [timed('first', 30, 30), timed('second', 20, 20)]);
    const people = [somebody('a', [[0, 10], [20, 90]])]; // prettier-ignore
    const rack = someRack([out, someJob('b', 80, [timed('x', 35, 35)])], {
      people,
      pinned: [{ job: 'out', operation: 'second', person: 'a', start: 30 }],
    });
    expect(of(rack)).toEqual([{ job: 'out', p50: null, p90: null, onTime: 0 }, { job: 'b', p50: 85, p90: 85, onTime: 0 }]); // prettier-ignore
  });

  it('is of two people: each goes on by themselves, what is under way first', () => {
    const jobs = [someJob('x', 100, [timed('all', 30, 30)]), someJob('y', 100, [timed('all', 20, 20)]), someJob('z', 100, [timed('all', 10, 10)])]; // prettier-ignore
    const people = ['a', 'b'].map((id) => somebody(id, [[0, 240]]));
    const started = [{ job: 'z', operation: 'all', person: 'b', start: 0, minutesLeft: 5 }];
    const at = (job: string, person: string, start: number, minutes: number) => ({ job, operation: 'all', person, start, end: start + minutes }); // prettier-ignore
    const rack = someRack(jobs, { now: 2, people, started });
    // y was to begin before z was seen to take longer
    const plan = { ...planDay(rack, time), operations: [at('y', 'b', 2, 20), at('x', 'a', 3, 30), at('z', 'b', 2, 5)], unplanned: [] };
    expect(promises(rack, plan, { draws: 50, seed: 1 }).map(({ p90 }) => p90)).toEqual([32, 27, 7].map((each) => expect.closeTo(each, 9)));
  });

  it('never falls when more time is promised', () => {
    fc.assert(
      fc.property(fc.integer({ min: 30, max: 120 }), fc.integer({ min: 0, max: 60 }), (due, more) => {
        const chance = (by: number) => of(someRack([someJob('a', by, [timed('restring', 40, 60)])]), 500)[0]?.onTime ?? 0;
        expect(chance(due + more)).toBeGreaterThanOrEqual(chance(due));
      }),
      { numRuns: 20 },
    );
  });
});
