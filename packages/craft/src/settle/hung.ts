import { DRIFT, SETTLING_TIME } from '../constants/index.js';
import { requirePositive } from '../outcome/index.js';

/**
 * Share of what a string creeps by within its first day that is still to come after so many hours under its pull, by the logarithmic law with its usual onset:
 * all of it at first, nothing after the day. Where the pull comes from, a post or a weight on a hook, is the same to it.
 * @throws RangeError if `hours` is not above zero.
 */
export function creepLeft(hours: number): number {
  requirePositive({ hours });
  const [day, onset] = [SETTLING_TIME.polymer.value, DRIFT.onset.value];
  return hours >= day ? 0 : 1 - Math.log1p(hours / onset) / Math.log1p(day / onset);
}

/** A string that hung under its pull for so many hours before it goes on: it creeps by what is left. */
export function afterHanging<S extends { creep: number; range: { creep: readonly [number, number] } }>(string: S, hours: number): S {
  const left = creepLeft(hours);
  const [least, most] = string.range.creep;
  return { ...string, creep: left * string.creep, range: { ...string.range, creep: [left * least, left * most] } };
}
