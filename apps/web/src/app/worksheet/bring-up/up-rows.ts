import type { Lane } from '../../lane/lane';

/** Cents from the note that a lane's scale shows: from an octave and a little under it to where the last string breaks. */
export const LOWEST = -1300;

/** One string on its way up. */
export interface UpRow {
  lane: Lane;
  inHand: boolean;
  done: boolean;
  apart: boolean;
  badge: 'open' | 'in-hand' | 'done';
  gauge: string;
  construction: string;
  /** Where it was read last, cents; null where it was not. */
  cents: number | null;
  says: string;
  turns: string;
  /** Cents over the note at which it is not safe, and at which it breaks. */
  safe: number;
  breaks: number;
  /** The same as notes. */
  limits: { safe: string; breaks: string } | null;
  thick: number;
}

/** Cents that a scale has to hold over the note, so that every string's end is on it, and no more than an octave and a half. */
export const highestOf = (rows: readonly Pick<UpRow, 'breaks'>[]): number =>
  Math.min(1800, Math.max(500, ...rows.map(({ breaks }) => breaks)) + 60);

/** Below zero with its sign, so that all of them stand alike. */
export function sayCents(cents: number | null): string {
  if (cents === null) return '–';
  const size = Math.abs(cents);
  return `${cents < 0 ? '−' : cents > 0 ? '+' : ''}${size < 100 ? size.toFixed(1) : size.toFixed(0)}`;
}
