import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cents } from '../units/index.js';
import { judgeRounds } from './rounds.js';

const judge = (drops: readonly number[], tolerance = 2) => judgeRounds({ drops: drops.map(cents), tolerance: cents(tolerance) });

/** Normal noise from two even chances (Box and Muller). */
const even = fc.double({ min: 1e-9, max: 1, noNaN: true });
const noise = fc.tuple(even, even).map(([u, v]) => 1.2 * Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * v));
const share = <T>(cases: readonly T[], is: (one: T) => boolean) => cases.filter(is).length / cases.length;
const sample = <T>(of: fc.Arbitrary<T>) => fc.sample(of, { numRuns: 40, seed: 7 });

describe('a string that stretches', () => {
  it('is told its rounds: 40, 20, 10, 5 cents halve, and 1¼ is the first below two', () => {
    const { verdict, slipProbability, roundsLeft, nextDrop } = judge([40, 20, 10, 5]);
    expect(verdict).toBe('settling');
    expect(slipProbability).toBeLessThan(0.01);
    expect(roundsLeft.likely).toBe(2);
    expect(nextDrop.likely).toBeCloseTo(2.5, 0);
    expect(nextDrop.low).toBeLessThan(2.5 - 1.2);
    expect(nextDrop.high).toBeGreaterThan(2.5 + 1.2);
  });

  it('is done where the last round cost no more than is good enough', () => {
    expect(judge([32, 8, 2, 0.5]).roundsLeft).toMatchObject({ low: 0, likely: 0 });
  });

  it('never settles where what goes on being lost is more than is good enough', () => {
    const { roundsLeft } = judge([46, 26, 16, 11, 8.5, 7.25, 6.6, 6.3, 6.2, 6.1]);
    expect(roundsLeft.likely).toBe(Number.POSITIVE_INFINITY);
  });

  it.each([[[170, 85, 3]], [[130, 62, 5]], [[60, 18, 14, 4]], [[45, 21, 9, 5]]])(
    'is not condemned by a hand that pulls unevenly: %j',
    (drops) => {
      expect(judge(drops)).toMatchObject({ verdict: 'settling' });
      expect(judge(drops).slipProbability).toBeLessThan(0.5);
    },
  );

  it('is confirmed by one more round after a last one of next to nothing, and by none after two small ones; at the limit is within it', () => {
    expect(judge([170, 85, 3]).roundsLeft.likely).toBe(1); // 3 is 1.5 over the limit at most
    expect(judge([170, 85, 2]).roundsLeft.likely).toBe(1); // the round before was far over three times two
    expect(judge([60, 20, 5, 2]).roundsLeft.likely).toBe(0);
    expect(judge([60, 20, -30, 1]).roundsLeft.high).toBeGreaterThan(0); // sharp by 30 is no small round: one more confirms it
    expect(judge([9, 8, 9, 8, 3.6]).roundsLeft.high).toBeGreaterThan(1); // 3.6 is more than 1.5 over
    expect(judge([60, 20, 5, 3]).roundsLeft.high).toBe(1); // near enough to be confirmed, too much to be the last
    expect(judge([60, 20, 6, 2]).roundsLeft.high).toBe(1); // three times the limit is no small round
    expect(judge([9, 8, 9, 8, 3.5]).roundsLeft.high).toBe(1); // 1.5 over, and no more
    const odds = judge([30, 31, 29, 30, 31, 29, 30, 2]);
    expect(odds.verdict).toBe('settling'); // whatever the odds of the rounds before
    expect(odds.slipProbability).toBeGreaterThan(0.9);
  });

  it('is seldom taken for one that slips, whether a hand pulls evenly or not', () => {
    const rounds = fc
      .record({
        first: fc.double({ min: 15, max: 90, noNaN: true }),
        kept: fc.double({ min: 0.2, max: 0.7, noNaN: true }),
        off: fc.array(fc.tuple(noise, noise), { minLength: 5, maxLength: 5 }),
        uneven: fc.constantFrom(0, 0.18),
      })
      // the hand's share of the scatter grows with the drop; noise is 1.2 wide
      .map(({ first, kept, off, uneven }) => off.map(([away, pull], n) => first * kept ** n * (1 + (uneven * pull) / 1.2) + away));
    expect(share(sample(rounds), (drops) => judge(drops).slipProbability > 0.5)).toBeLessThan(0.05);
  });
});

describe('a string that slips', () => {
  it('loses as much every time, and is found out', () => {
    expect(judge([19, 22, 18, 21, 20]).verdict).toBe('slipping');
    const rounds = fc
      .record({ level: fc.double({ min: 8, max: 60, noNaN: true }), off: fc.array(noise, { minLength: 5, maxLength: 5 }) })
      .map(({ level, off }) => off.map((away) => level + away));
    expect(share(sample(rounds), (drops) => judge(drops).slipProbability > 0.5)).toBeGreaterThan(0.95);
  });

  it('is no more than a suspicion before the third reading', () => {
    expect(judge([20, 20]).verdict).toBe('early');
    expect(judge([20, 20]).slipProbability).toBeGreaterThan(0.15);
    expect(judge([20, 20, 20]).verdict).toBe('check'); // more likely than not, and not nine in ten
  });
});

it('one odd reading does not turn a verdict', () => expect(judge([40, 20, 10, 18, 2.5, 1.2]).slipProbability).toBeLessThan(0.5));

it('knows only its priors where nothing was read', () => {
  const { verdict, slipProbability, roundsLeft } = judge([]);
  expect(verdict).toBe('early');
  expect(slipProbability).toBeCloseTo(0.15, 9);
  // 35 ¢ at first, of which a third stays each time (the likeliest of q^1.5 (1 − q)³): four rounds to two cents
  expect(Math.abs(roundsLeft.likely - 4)).toBeLessThanOrEqual(1);
});

it('never asks for more rounds where more is good enough', () => {
  const drops = fc.array(fc.double({ min: -3, max: 60, noNaN: true }), { maxLength: 6 });
  fc.assert(
    fc.property(drops, fc.double({ min: 0.5, max: 6, noNaN: true }), (read, tolerance) => {
      const strict = judge(read, tolerance).roundsLeft;
      const easy = judge(read, 2 * tolerance).roundsLeft;
      expect(easy.likely).toBeLessThanOrEqual(strict.likely);
      expect(strict.low).toBeLessThanOrEqual(strict.likely);
      expect(strict.likely).toBeLessThanOrEqual(strict.high);
    }),
    { numRuns: 20 },
  );
});

it('has an answer for whatever was typed, however often', () => {
  for (const drops of [new Array<number>(200).fill(1200), new Array<number>(60).fill(-1200), [40, ...new Array<number>(80).fill(0)]]) {
    const { slipProbability, nextDrop, roundsLeft } = judge(drops);
    for (const value of [slipProbability, nextDrop.low, nextDrop.likely, nextDrop.high]) expect(Number.isFinite(value)).toBe(true);
    expect(roundsLeft.likely).toBeGreaterThanOrEqual(0);
  }
});

it('is called with numbers that can be', () => {
  expect(() => judge([5], 0)).toThrow('tolerance');
  expect(() => judge([Number.NaN])).toThrow('finite');
});
