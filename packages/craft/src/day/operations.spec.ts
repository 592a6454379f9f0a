import { describe, expect, it } from 'vitest';
import { MINUTES } from '../constants/index.js';
import { bandAt } from '../testing/index.js';
import { attendedInPieces, attendedTo, isVisit, isWork, operationsOf, percentileOf, type HouseWays } from './index.js';

const plain = { percentile: 50, counterShare: 0, looksAgainHours: null } as const;

describe('minutes of what is left', () => {
  it('are those of the kind before anything was learned, and of half the strings half as many', () => {
    const all = { ready: 1, strip: 1, 'look-over': 1, anchor: 1, wind: 1, 'bring-up': 1, settle: 1, trim: 1 } as const;
    const whole = attendedTo([], '', { family: 'classical', stringCount: 6, left: all });
    // six strings of six minutes, and ten for the instrument: means add up, and that of a lognormal lies e to half its variance above its median
    const spread = attendedTo([], '', { family: 'classical', stringCount: 6, left: { wind: 1 } })?.sigma ?? 0;
    const sum = MINUTES.setUp.value + 6 * MINUTES.classical.value;
    expect((whole?.median ?? 0) * Math.exp((whole?.sigma ?? 0) ** 2 / 2)).toBeCloseTo(sum * Math.exp(spread ** 2 / 2), 6);
    const half = attendedTo([], '', { family: 'classical', stringCount: 6, left: { wind: 0.5 } });
    const full = attendedTo([], '', { family: 'classical', stringCount: 6, left: { wind: 1 } });
    expect(half?.median).toBeCloseTo((full?.median ?? 0) / 2, 6);
    expect(attendedTo([], '', { family: 'classical', stringCount: 6, left: { wind: 0 } })).toBeNull();
  });

  it('vary less together than one by one: independent stages even each other out', () => {
    const one = attendedTo([], '', { family: 'electric', stringCount: 6, left: { wind: 1 } });
    const more = attendedTo([], '', { family: 'electric', stringCount: 6, left: { wind: 1, anchor: 1, settle: 1 } });
    expect(more?.sigma).toBeLessThan(one?.sigma ?? 0);
  });

  it('go on in other hours where they are longer than any, in as few pieces as fit, and are no more nor less in all', () => {
    const asked = { family: 'acoustic', stringCount: 12, left: { ready: 1, strip: 1, 'look-over': 1, anchor: 1, wind: 1, 'bring-up': 1, settle: 1, trim: 1 } } as const; // prettier-ignore
    const mean = ({ median, sigma }: { median: number; sigma: number }) => median * Math.exp(sigma ** 2 / 2);
    const whole = attendedTo([], '', asked);
    const pieces = attendedInPieces([], '', { ...asked, fits: ({ median }) => median <= 30 });
    expect(pieces.length).toBeGreaterThan(1);
    expect(Math.max(...pieces.map(({ median }) => median))).toBeLessThanOrEqual(30);
    expect(pieces.reduce((sum, piece) => sum + mean(piece), 0)).toBeCloseTo(whole === null ? 0 : mean(whole), 6);
    expect(attendedInPieces([], '', { ...asked, fits: () => true })).toEqual([whole]);
    // nothing fits: a stage is never cut
    expect(attendedInPieces([], '', { ...asked, fits: () => false })).toHaveLength(8);
  });

  it('of a lognormal lie by its deviates: nine in ten within e to 1.2816 sigma', () => {
    expect(percentileOf({ median: 40, sigma: 0.25 }, 50)).toBe(40);
    expect(percentileOf({ median: 40, sigma: 0.25 }, 90)).toBeCloseTo(40 * Math.exp(0.25 * 1.2816), 9);
  });
});

describe('what is left to do for a job', () => {
  const work = [{ median: 40, sigma: 0 }];

  it('is the bench work and the hand-over where strings hold', () => {
    const operations = operationsOf({ work, begun: false, moves: null, since: 0 }, plain);
    expect(operations.map(({ id, minutes, after }) => [id, minutes, after])).toEqual([['restring', 40, 0], ['hand-over', 8, 0]]); // prettier-ignore
  });

  it('keeps hours free for the counter: a tenth of the bench makes forty minutes forty-four', () => {
    expect(operationsOf({ work, begun: false, moves: null, since: 0 }, { ...plain, counterShare: 0.1 })[0]?.minutes).toBe(44);
  });

  it('looks once more at strings that hold where the house asks for it, counted from the work', () => {
    const asked = (since: number) => operationsOf({ work, begun: false, moves: null, since }, { ...plain, looksAgainHours: 3 });
    expect(asked(0).map(({ id, after }) => [id, after])).toEqual([['restring', 0], ['tune-1', 180], ['hand-over', 0]]); // prettier-ignore
    expect(asked(50)[1]?.after).toBe(130);
  });

  it('has a piece of the bench work for each stretch of hours that it needs, in one hand', () => {
    const two = operationsOf({ work: [...work, { median: 25, sigma: 0 }], begun: false, moves: null, since: 0 }, plain);
    expect(two.map(({ id, minutes, same }) => [id, minutes, same])).toEqual([
      ['restring', 40, true],
      ['restring-2', 25, true],
      ['hand-over', 8, false],
    ]);
  });

  it('tunes strings that move again when the forecast says so, and hands over once they hold', () => {
    const moves = { retunes: [bandAt(0.5), bandAt(2)], holdsFrom: bandAt(24) };
    const operations = operationsOf({ work, begun: false, moves, since: 0 }, plain);
    expect(operations.map(({ id, after }) => [id, after])).toEqual([
      ['restring', 0],
      ['tune-1', 30],
      ['tune-2', 120 - 30 - 3], // a visit takes three minutes of the way
      ['hand-over', 1440 - 120 - 3],
    ]);
  });

  it('goes on from where its clock stands, and keeps what was begun in one hand', () => {
    const moves = { retunes: [bandAt(2)], holdsFrom: bandAt(24) };
    const operations = operationsOf({ work: [], begun: true, moves, since: 60 }, plain);
    expect(operations.map(({ id, after, same }) => [id, after, same])).toEqual([
      ['begun', 0, true],
      ['tune-1', 60, false],
      ['hand-over', 1440 - 120 - 3, false],
    ]);
  });

  it('tunes within two hours of the clock alone, and waits for strings no longer than three days', () => {
    const told = (retunes: readonly number[], holdsFrom: number, ways: HouseWays = plain) =>
      operationsOf({ work, begun: false, moves: { retunes: retunes.map(bandAt), holdsFrom: bandAt(holdsFrom) }, since: 0 }, ways).map(
        ({ id, minutes, after }) => [id, minutes, after],
      );
    // what moves is tuned once more as it is handed over: 8 minutes and 3
    expect(told([1, 2.1, 2.5], 24)).toEqual([['restring', 40, 0], ['tune-1', 3, 60], ['hand-over', 11, 1440 - 60 - 3]]); // prettier-ignore
    expect(told([Infinity], 100)).toEqual([['restring', 40, 0], ['hand-over', 11, 72 * 60]]); // prettier-ignore
    // who asks for one more look at strings that hold does not mean these
    expect(told([1], 24, { ...plain, looksAgainHours: 3 }).map(([id]) => id)).toEqual(['restring', 'tune-1', 'hand-over']);
    expect(told([1], 0.5).at(-1)).toEqual(['hand-over', 11, 0]);
  });
});

it('pieces of the work and looks at strings are known by their names', () => {
  expect(['restring', 'restring-2', 'tune-1', 'hand-over', 'begun'].map(isWork)).toEqual([true, true, false, false, false]);
  expect(['restring', 'restring-2', 'tune-1', 'hand-over', 'begun'].map(isVisit)).toEqual([false, false, true, false, false]);
});
