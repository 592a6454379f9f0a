import { forecastDrift, withinAYear, type DriftForecast, type DriftReading } from './drift.js';
import { CREEP, SETTLING_TIME } from '../constants/index.js';
import { cents, type Cents } from '../units/index.js';

const HOUR_MS = 3_600_000;
/** A string that nobody read since it first bore pull. */
const JUST_TUNED: readonly DriftReading[] = [{ hours: 1e-3, cents: null, retuned: true }];

/**
 * How a string that creeps goes on, by its readings and, before there are any, by what it is made of: what nobody read is not said to hold within the day that nylon is given, and what creeps less within as much
 * less of it. `creep`: strain that it creeps by within a day; by the logarithmic law, how long it takes to hold goes with how much it creeps.
 */
export function expectedDrift(
  readings: readonly DriftReading[],
  hold: { cents: Cents; hours: number },
  creep: number = CREEP.nylon.value,
): DriftForecast {
  if (readings.some(({ cents: read }) => read !== null)) return withinAYear(forecastDrift({ readings, limit: hold.cents, hold }));
  const share = creep / CREEP.nylon.value;
  // half the creep goes past a limit when all of it would go past twice as much
  const of = { cents: cents(hold.cents / share), hours: hold.hours };
  const forecast = withinAYear(forecastDrift({ readings: readings.length === 0 ? JUST_TUNED : readings, limit: of.cents, hold: of }));
  const { low, likely, high } = forecast.holdsFrom;
  const given = SETTLING_TIME.polymer.value * share;
  return { ...forecast, holdsFrom: { low, likely: Math.max(likely, given), high: Math.max(high, given) } };
}

/** A string that goes on moving: its number, when it first bore pull, milliseconds since 1970, and how it is expected to move. */
export interface Moving {
  number: number;
  since: number;
  expected: Pick<DriftForecast, 'retunes' | 'holdsFrom'>;
}

/** When strings that go on moving are tuned again, and from when they hold, milliseconds since 1970. */
export interface Retunes {
  /** Numbers of the strings that move. */
  strings: readonly number[];
  /** From tuning to tuning, of the string that has to be tuned first. */
  times: readonly number[];
  /** Null where that is not within a year. */
  holdsFrom: number | null;
}

/** Null where none moves. */
export function retunesOf(moving: readonly Moving[]): Retunes | null {
  const each = moving.map(({ number, since, expected: { retunes, holdsFrom } }) => {
    const at = (hours: number) => since + hours * HOUR_MS;
    return { number, times: retunes.map(({ likely }) => at(likely)).filter(Number.isFinite), holds: at(holdsFrom.likely) };
  });
  const [first] = [...each].sort((a, b) => (a.times[0] ?? Infinity) - (b.times[0] ?? Infinity));
  if (first === undefined) return null;
  const holds = Math.max(...each.map((string) => string.holds));
  return { strings: each.map(({ number }) => number), times: first.times, holdsFrom: Number.isFinite(holds) ? holds : null };
}
