import { forecastDrift, withinAYear, type DriftForecast, type DriftReading } from './drift.js';
import { SETTLING_TIME } from '../constants/index.js';
import type { Cents } from '../units/index.js';

const HOUR_MS = 3_600_000;
/** A string that nobody read since it first bore pull. */
const JUST_TUNED: readonly DriftReading[] = [{ hours: 1e-3, cents: null, retuned: true }];

/** How a string that creeps goes on, by its readings and, before there are any, by its kind: what nobody read is not said to hold within the day that such strings are given. */
export function expectedDrift(readings: readonly DriftReading[], hold: { cents: Cents; hours: number }): DriftForecast {
  const known = readings.length > 0 ? readings : JUST_TUNED;
  const forecast = withinAYear(forecastDrift({ readings: known, limit: hold.cents, hold }));
  if (readings.length > 0) return forecast;
  const { low, likely, high } = forecast.holdsFrom;
  const aDay = SETTLING_TIME.polymer.value;
  return { ...forecast, holdsFrom: { low, likely: Math.max(likely, aDay), high: Math.max(high, aDay) } };
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
