import type { DriftReading } from '../settle/index.js';
import { cents } from '../units/index.js';
import type { Worksheet } from './fold.js';

const HOUR_MS = 3_600_000;

/** What each round of stretching cost a string (zero-based), cents, the first first: how far it went down from pitch, or from where it was left when it was not tuned back. */
export function dropsOf({ pitches }: Pick<Worksheet, 'pitches'>, index: number): number[] {
  let left = 0;
  return (pitches[index] ?? []).flatMap(({ payload: { cents: read, after, retuned } }) => {
    const drop = left - read;
    left = retuned ? 0 : read;
    return after === 'stretch' ? [drop] : [];
  });
}

/**
 * How a string (zero-based) moved by itself since it first bore pull; empty where that was never noted. What a stretch cost is none of it: only the tuning
 * after it counts, and what is read of a string that was stretched and not tuned back says nothing.
 */
export function driftOf({ pitches, tensioned }: Pick<Worksheet, 'pitches' | 'tensioned'>, index: number): DriftReading[] {
  const start = tensioned[index]?.at;
  if (start === undefined) return [];
  const readings: DriftReading[] = [];
  let stretched = false;
  for (const { at, payload } of pitches[index] ?? []) {
    const hours = (Date.parse(at) - Date.parse(start)) / HOUR_MS;
    if (!(hours > (readings.at(-1)?.hours ?? 0))) continue;
    stretched ||= payload.after === 'stretch';
    if (!stretched) readings.push({ hours, cents: cents(payload.cents), retuned: payload.retuned });
    else if (payload.retuned) readings.push({ hours, cents: null, retuned: true });
    if (payload.retuned) stretched = false;
  }
  return readings;
}
