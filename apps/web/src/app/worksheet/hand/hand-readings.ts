/** Three readings of each measure, mm; null where none was typed yet. */
export interface Readings {
  fistMm: readonly (number | null)[];
  fingerMm: readonly (number | null)[];
  spacerMm: readonly (number | null)[];
}

export type HandReading =
  | { kind: 'missing'; count: number }
  /** The readings do not agree: one was misread, or the hand was held otherwise. */
  | { kind: 'apart'; spreadMm: number }
  | { kind: 'read'; mm: number; spreadMm: number };

/** Readings that differ by more than this share of themselves were not of the same thing. */
const APART = 0.15;
const ENOUGH = 3;

/** The middle one of three readings, once there are three that agree. */
export function readHand(readings: readonly (number | null)[]): HandReading {
  const read = readings
    .filter((value) => value !== null && Number.isFinite(value))
    .map(Number)
    .sort((a, b) => a - b);
  const middle = read[Math.floor(read.length / 2)];
  if (middle === undefined || read.length < ENOUGH) return { kind: 'missing', count: read.length };
  const spreadMm = (read.at(-1) ?? middle) - (read[0] ?? middle);
  return spreadMm > APART * middle ? { kind: 'apart', spreadMm } : { kind: 'read', mm: middle, spreadMm };
}
