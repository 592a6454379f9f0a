import { USUAL_HOURS } from '@gold-peg/contract/day';
import { meant, type Correction } from '@gold-peg/craft/day';
import { DateTime } from 'luxon';

const HOUR_MS = 3_600_000;
/** Whoever promised was a little too sure of it. */
const OF_THE_DEMO: Correction = { slope: 0.85, shift: -0.15 };

/** A promise of somebody who says a little more than is so: its hour, and the chance that was stated. */
export function promisedBefore(ready: Date, chance: () => number): { promisedAt: Date; promisedChance: number; plannedChance: number } {
  const stated = 0.55 + 0.44 * Math.sqrt(chance());
  const kept = chance() < meant(OF_THE_DEMO, stated);
  const step = (kept ? 1 : -1) * (3 + 4 * chance()) * HOUR_MS;
  let promisedAt = whileOpen(new Date(ready.getTime() + step));
  for (let steps = 2; promisedAt >= ready !== kept; steps++) promisedAt = whileOpen(new Date(ready.getTime() + steps * step));
  const said = Math.round(100 * stated) / 100;
  return { promisedAt, promisedChance: said, plannedChance: said }; // nothing was learned yet
}

const STEP_MIN = 30;

/** A half hour of that day at which the workshop is open: the day and the night pressed into its hours, so that what was promised earlier stays earlier; days on which it is closed wait until it opens again. */
export function whileOpen(time: Date): Date {
  const { zone, week } = USUAL_HOURS;
  const at = DateTime.fromJSDate(time, { zone });
  const hours = week[at.weekday - 1] ?? [];
  if (hours.length === 0) return whileOpen(at.startOf('day').plus({ days: 1 }).toJSDate());
  let left = ((at.hour + at.minute / 60) / 24) * hours.reduce((sum, [from, until]) => sum + until - from, 0);
  for (const [from, until] of hours) {
    if (left >= until - from) {
      left -= until - from;
      continue;
    }
    const minute = Math.max(from, STEP_MIN * Math.floor((from + left) / STEP_MIN));
    return at.set({ hour: Math.floor(minute / 60), minute: minute % 60, second: 0, millisecond: 0 }).toJSDate();
  }
  throw new RangeError('a day has no more than its hours');
}
