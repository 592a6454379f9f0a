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
