import { hoursOfDay } from '@gold-peg/contract/day';
import type { ValidatorFn } from '@angular/forms';
import { SAYS } from '../form';

/** Hours of a day, from and until, minutes after midnight. */
export type Stretches = [number, number][];

const STRETCH = /^(\d{1,2})(?::([0-5]\d))?\s*(?:–|-|to|until)\s*(\d{1,2})(?::([0-5]\d))?$/i;
const minutes = (hours: string | undefined, rest: string | undefined): number => Number(hours) * 60 + Number(rest ?? 0);

/** Hours as people write them: '9–12:15, 13–17:30'; none where nothing is written; null where that cannot be read. */
export function readStretches(text: string): Stretches | null {
  const parts = text.split(/[,;]/).map((part) => part.trim());
  const stretches: Stretches = [];
  for (const part of parts.filter((each) => each !== '')) {
    const [all, from, fromRest, until, untilRest] = STRETCH.exec(part) ?? [];
    if (all === undefined) return null;
    stretches.push([minutes(from, fromRest), minutes(until, untilRest)]);
  }
  return stretches;
}

const clock = (minute: number): string =>
  `${Math.floor(minute / 60)}${minute % 60 === 0 ? '' : `:${String(minute % 60).padStart(2, '0')}`}`;
export const sayStretches = (stretches: readonly (readonly [number, number])[]): string =>
  stretches.map(([from, until]) => `${clock(from)}–${clock(until)}`).join(', ');

/** Holds what is written to hours that can be. */
export const areHours: ValidatorFn = ({ value }) => {
  const stretches = readStretches(String(value ?? ''));
  if (stretches === null) return { [SAYS]: 'must be hours such as 9–12:15, 13–17:30, or nothing where it is closed' };
  const read = hoursOfDay.safeParse(stretches);
  return read.success ? null : { [SAYS]: read.error.issues[0]?.message ?? 'must be hours of a day' };
};

/** Minutes of a week. */
export const minutesOf = (week: readonly Stretches[]): number => week.flat().reduce((sum, [from, until]) => sum + until - from, 0);
