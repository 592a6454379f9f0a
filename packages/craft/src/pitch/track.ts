import { HEARING } from '../constants/index.js';
import type { Hertz } from '../units/index.js';
import { centsApart } from './cents-apart.js';
import { detectPitch, type Heard } from './detect.js';
import { levelOf, longExcerpt } from './excerpts.js';

export interface Recording {
  /** Between −1 and 1, one channel. */
  samples: Float32Array;
  sampleRate: number;
  /** Pitches that are expected; empty for anything. */
  targets: readonly Hertz[];
  /** From one excerpt to the next, s. */
  hop: number;
}

export interface PitchFrame {
  /** Middle of its excerpt, s. */
  time: number;
  /** Null where nobody plucked a string. */
  heard: Heard | null;
}

interface Frame extends PitchFrame {
  decibels: number;
}

/**
 * Pitch along a recording. A frame counts only in a row of frames that keep within a few cents and fade: hum holds its level, speech does not hold its pitch, taps and noise
 * have none.
 * @throws RangeError if the hop is not above zero.
 */
export function trackPitch({ samples, sampleRate, targets, hop }: Recording): PitchFrame[] {
  if (!(hop > 0)) throw new RangeError(`hop must be above zero, was ${hop}`);
  const size = longExcerpt(sampleRate);
  const step = Math.max(1, Math.round(hop * sampleRate));
  const frames: Frame[] = [];
  for (let start = 0; start + size <= samples.length; start += step) {
    const excerpt = samples.subarray(start, start + size);
    const heard = detectPitch({ excerpt, sampleRate, targets });
    frames.push({
      time: (start + size / 2) / sampleRate,
      heard: heard !== null && heard.confidence >= HEARING.leastConfidence.value ? heard : null,
      decibels: levelOf(excerpt),
    });
  }
  return rungBy(frames);
}

/** What was heard in the rows of frames that a string rings through; nothing in the others. */
export const rungBy = (frames: readonly Frame[]): PitchFrame[] =>
  rowsOf(frames).flatMap((row) => {
    const rings = row.length >= HEARING.steadyFrames.value && fadesPerSecond(row) > HEARING.fades.value;
    return row.map(({ time, heard }) => ({ time, heard: rings ? heard : null }));
  });

/** Frames that follow each other within a few cents, or hear nothing. */
function rowsOf(frames: readonly Frame[]): Frame[][] {
  const rows: Frame[][] = [];
  for (const frame of frames) {
    const row = rows.at(-1);
    if (row !== undefined && holds((row.at(-1) as Frame).heard, frame.heard)) row.push(frame);
    else rows.push([frame]);
  }
  return rows;
}

const holds = (before: Heard | null, now: Heard | null): boolean =>
  before === null || now === null ? before === now : centsApart(now.frequency, before.frequency) <= HEARING.steadyCents.value;

/** How fast the level falls along a row, by least squares, dB/s. */
function fadesPerSecond(row: readonly Frame[]): number {
  const middle = row.reduce((sum, { time }) => sum + time, 0) / row.length;
  const square = row.reduce((sum, { time }) => sum + (time - middle) ** 2, 0);
  return -row.reduce((sum, { time, decibels }) => sum + (time - middle) * decibels, 0) / square;
}
