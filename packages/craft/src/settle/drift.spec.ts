import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cents } from '../units/index.js';
import { forecastDrift, withinAYear, type DriftReading } from './drift.js';

const HOURS = [0.2, 0.5, 1, 3, 6];

/** What is read at each hour of a string that creeps by `gone`, brought back to pitch wherever `retuned` says so. */
function read(gone: (hours: number) => number, retuned = HOURS.map(() => true)): DriftReading[] {
  let base = 0;
  return HOURS.map((hours, index) => {
    const reading = { hours, cents: cents(gone(base) - gone(hours)), retuned: retuned[index] ?? true };
    if (reading.retuned) base = hours;
    return reading;
  });
}
const logarithmic = (b: number, onset: number) => (hours: number) => b * Math.log(1 + hours / onset);
const forecast = (readings: readonly DriftReading[], limit = 5, holdCents = 5, holdHours = 2) =>
  forecastDrift({ readings, limit: cents(limit), hold: { cents: cents(holdCents), hours: holdHours } });

describe('logarithmic creep', () => {
  // t' = (t + τ) e^(limit/b) − τ, by hand for b = 18 ¢, τ = 0.12 h, t = 6 h; it holds from t with (t + 2.12) = (t + 0.12) e^(5/18)
  it('is tuned again at the hour the law gives', () => {
    const { nextRetune, holdsFrom } = forecast(read(logarithmic(18, 0.12)));
    expect(nextRetune.likely / 7.96).toBeCloseTo(1, 1);
    expect(holdsFrom.likely / 6.127).toBeCloseTo(1, 1);
    expect(nextRetune.low).toBeLessThan(nextRetune.likely);
    expect(nextRetune.high).toBeGreaterThan(nextRetune.likely);
  });

  it.each([
    [8, 0.05],
    [30, 0.3],
    [12, 1],
  ])('of %d cents from %d hours on is found again', (b, onset) => {
    const wanted = (6 + onset) * Math.exp(5 / b) - onset;
    expect(Math.abs(forecast(read(logarithmic(b, onset))).nextRetune.likely / wanted - 1)).toBeLessThan(0.2);
  });

  it('is measured against the last tuning, not the last reading', () => {
    const law = logarithmic(18, 0.12);
    const { nextRetune } = forecast(read(law, [true, true, true, true, false]), 30);
    expect(Math.abs(nextRetune.likely / (3.12 * Math.exp(30 / 18) - 0.12) - 1)).toBeLessThan(0.2);
  });

  it('is due at once where it is too far off already', () => {
    expect(forecast(read(logarithmic(18, 0.12), [true, true, true, true, false]), 5).nextRetune.likely).toBe(6);
  });
});

it('a string that has done what it will is never due again', () => {
  const done = read((hours) => 25 * (1 - Math.exp(-((hours / 0.4) ** 0.8))));
  const { nextRetune } = forecast(done, 8);
  expect(nextRetune.likely).toBe(Number.POSITIVE_INFINITY);
});

it('what lies farther ahead than a year never comes for people, and their dates can be written', () => {
  const ahead = { low: 365 * 24, likely: 365 * 24 + 1, high: 9e9 };
  const never = { low: 365 * 24, likely: Number.POSITIVE_INFINITY, high: Number.POSITIVE_INFINITY };
  expect(withinAYear({ nextRetune: ahead, holdsFrom: ahead, retunes: [ahead] })).toEqual({ nextRetune: never, holdsFrom: never, retunes: [never] }); // prettier-ignore
  expect(forecast(read(logarithmic(0.2, 0.12))).nextRetune.high).toBeGreaterThan(24 * 365);
  const days = forecast(read(logarithmic(18, 0.12)));
  expect(withinAYear(days)).toEqual(days);
  // b ln(1 + 24 h / a year) is still 5 ¢ and more
  expect(forecast(read(logarithmic(4000, 0.12)), 5, 5, 24).holdsFrom.low).toBe(Number.POSITIVE_INFINITY);
});

it('one reading is enough for a first, wide answer', () => {
  const { nextRetune } = forecast([{ hours: 0.25, cents: cents(-20), retuned: true }]);
  expect(nextRetune.low).toBeGreaterThanOrEqual(0.25);
  expect(nextRetune.high / nextRetune.low).toBeGreaterThan(1.2);
  expect(nextRetune.high).toBeLessThan(24);
});

it('more room, later work: a wider limit is reached no sooner, and is held no later', () => {
  fc.assert(
    fc.property(fc.double({ min: 3, max: 40, noNaN: true }), fc.double({ min: 0.05, max: 1, noNaN: true }), (b, onset) => {
      const readings = read(logarithmic(b, onset));
      const near = forecast(readings, 3, 3);
      const far = forecast(readings, 6, 6);
      expect(far.nextRetune.likely).toBeGreaterThanOrEqual(near.nextRetune.likely);
      expect(far.holdsFrom.likely).toBeLessThanOrEqual(near.holdsFrom.likely);
    }),
    { numRuns: 25 },
  );
});

it('is called with readings in the order of time', () => {
  expect(() => forecast([])).toThrow('at least one reading');
  const [first, second] = read(logarithmic(18, 0.12));
  if (first === undefined || second === undefined) throw new Error('two readings are needed');
  expect(() => forecast([second, first])).toThrow('later than the one before');
  expect(() => forecast([first], 0)).toThrow('limit');
});

describe('from tuning to tuning', () => {
  // of logarithmic creep each retune lies at t' + τ = (t + τ) e^(limit/b), so that hours plus onset grow by one ratio
  it('hours grow by the ratio of the law, until it holds', () => {
    const { retunes, nextRetune, holdsFrom } = forecast(read(logarithmic(18, 0.12)).slice(0, 4), 5, 5, 4);
    expect(retunes[0]).toEqual(nextRetune);
    const hours = [3, ...retunes.map(({ likely }) => likely)];
    for (const [index, hour] of hours.slice(1).entries())
      expect((hour + 0.12) / ((hours[index] ?? 0) + 0.12) / Math.exp(5 / 18)).toBeCloseTo(1, 1);
    expect(hours.at(-1)).toBeGreaterThanOrEqual(holdsFrom.likely);
    expect(hours.at(-2)).toBeLessThan(holdsFrom.likely);
  });

  it('of a string that holds already there is one, and never more than six', () => {
    expect(forecast(read(logarithmic(2, 0.05))).retunes).toHaveLength(1);
    expect(forecast(read(logarithmic(80, 1)), 2, 1, 24).retunes).toHaveLength(6);
  });
});
