import type { DriftReading } from '../settle/index.js';
import { cents } from '../units/index.js';
import type { Worksheet } from './fold.js';

const hoursBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 3_600_000;

/** What each round of stretching cost a string (zero-based), cents, the first first: how far it went down from pitch, or from where it was left when it was not tuned back. */
export function dropsOf({ pitches }: Pick<Worksheet, 'pitches'>, index: number): number[] {
  let left = 0;
  return (pitches[index] ?? []).flatMap(({ payload: { cents: read, after, retuned } }) => {
    const drop = left - read;
    left = retuned ? 0 : read;
    return after === 'stretch' ? [drop] : [];
  });
}

/** Since when a string (zero-based) that is on bears its pull, ISO 8601: since it was brought under it, or before that where it hung; null where it is not on. */
export function pulledSince({ tensioned, hung }: Pick<Worksheet, 'tensioned' | 'hung'>, index: number): string | null {
  const [on, before] = [tensioned[index]?.at, hung[index]?.at];
  if (on === undefined) return null;
  return before !== undefined && Date.parse(before) < Date.parse(on) ? before : on;
}

/**
 * How a string (zero-based) moved by itself since it first bore pull; empty where that was never noted. What a stretch cost is none of it: only the tuning
 * after it counts, and what is read of a string that was stretched and not tuned back says nothing.
 */
export function driftOf(sheet: Pick<Worksheet, 'pitches' | 'tensioned' | 'hung'>, index: number): DriftReading[] {
  const [start, on] = [pulledSince(sheet, index), sheet.tensioned[index]?.at];
  if (start === null || on === undefined) return [];
  // what moved while it hung is none of what is heard: its first tuning comes after it
  const readings: DriftReading[] = on === start ? [] : [{ hours: hoursBetween(start, on), cents: null, retuned: true }];
  let stretched = false;
  for (const { at, payload } of sheet.pitches[index] ?? []) {
    const hours = hoursBetween(start, at);
    if (!(hours > (readings.at(-1)?.hours ?? 0))) continue;
    stretched ||= payload.after === 'stretch';
    if (!stretched) readings.push({ hours, cents: cents(payload.cents), retuned: payload.retuned });
    else if (payload.retuned) readings.push({ hours, cents: null, retuned: true });
    if (payload.retuned) stretched = false;
  }
  return readings;
}
