import { cents, hertz, type Cents, type Hertz } from '../units/index.js';
import { centsApart } from './cents-apart.js';
import { fitPartials, nearestPeak, partialAt, type PartialFit } from './fit.js';
import { peaksOf, type Peak } from './peaks.js';
import { spectrumOf } from './spectrum.js';

export interface Listening {
  /** A power of two; 16384 at 48 kHz for what is logged. */
  excerpt: Float32Array;
  sampleRate: number;
  /** Pitches that are expected: only 600 cents about each are searched. Empty: anything. */
  targets: readonly Hertz[];
  /** Average spectrum of an excerpt of the same length while nothing sounded; null where none was learned. */
  background?: Float64Array | null;
}

/** A pitch heard in one excerpt. */
export interface Heard {
  /** First partial, f0 √(1 + B): defined even where the microphone does not hear it, and steady while the string fades. */
  frequency: Hertz;
  inharmonicity: number;
  /** Between 0 and 1: how much of what sounds is explained, and by how many partials. */
  confidence: number;
}

const SEARCH: { about: Cents; low: number; high: number } = { about: cents(600), low: 26, high: 1500 };
const STIFFNESSES = [2e-5, 1.5e-4, 4e-4, 7e-4, 1e-3, 1.35e-3, 1.65e-3, 1.9e-3];
const STRONGEST = 10;
const DIVISORS = 12;
const MOST_PARTIALS = 30;
const FITTED = 6;

/** Hears one plucked string; null where nothing stands out of the noise. */
export function detectPitch({ excerpt, sampleRate, targets, background = null }: Listening): Heard | null {
  const spectrum = spectrumOf(excerpt, sampleRate);
  const peaks = peaksOf(spectrum, background);
  const candidates = candidatesOf(peaks, targets)
    .flatMap((f0) =>
      STIFFNESSES.map((inharmonicity) => ({ f0, inharmonicity, score: scoreOf(peaks, { f0, inharmonicity }, spectrum.bin) })),
    )
    .sort((a, b) => b.score - a.score);
  let best: { fit: PartialFit; score: number } | null = null;
  for (const candidate of distinct(candidates).slice(0, FITTED)) {
    const fit = fitPartials(peaks, candidate, spectrum.bin);
    const score = scoreOf(peaks, fit, spectrum.bin);
    if (fit.partials.length > 0 && (best === null || score > best.score)) best = { fit, score };
  }
  if (best === null) return null;
  const { f0, inharmonicity, partials } = best.fit;
  return {
    frequency: hertz(f0 * Math.sqrt(1 + inharmonicity)),
    inharmonicity,
    confidence: Math.max(0, Math.min(1, best.score)) * Math.min(1, loudness(partials.map(({ peak }) => peak)) / 4),
  };
}

/** The strongest peaks as partials of one to twelve. */
export function candidatesOf(peaks: readonly Peak[], targets: readonly Hertz[]): number[] {
  const strongest = [...peaks].sort((a, b) => b.above - a.above).slice(0, STRONGEST);
  return strongest.flatMap(({ frequency }) =>
    Array.from({ length: DIVISORS }, (_, index) => frequency / (index + 1)).filter(
      (f0) =>
        f0 >= SEARCH.low && f0 <= SEARCH.high && (targets.length === 0 || targets.some((target) => centsApart(f0, target) <= SEARCH.about)),
    ),
  );
}

/** Those that differ by more than a quarter tone, the best of each. */
export function distinct<T extends { f0: number }>(candidates: readonly T[]): T[] {
  const kept: T[] = [];
  for (const candidate of candidates) if (kept.every(({ f0 }) => centsApart(f0, candidate.f0) > 50)) kept.push(candidate);
  return kept;
}

/** How far a peak stands out, in orders of ten; a loud one does not drown the others. */
const salience = ({ above }: Peak) => Math.min(3, Math.log10(above));
const loudness = (peaks: readonly Peak[]) => peaks.reduce((sum, peak) => sum + salience(peak), 0);

/** Share of what stands out that a string explains, less its partials that are missing among those it has. */
export function scoreOf(peaks: readonly Peak[], { f0, inharmonicity }: { f0: number; inharmonicity: number }, bin: number): number {
  const total = loudness(peaks);
  if (total === 0) return 0;
  const explained = new Set<Peak>();
  const missing: boolean[] = [];
  const highest = peaks.at(-1)?.frequency ?? 0;
  for (let n = 1; n <= MOST_PARTIALS; n++) {
    const expected = partialAt(n, f0, inharmonicity);
    if (expected > highest + f0 / 2) break;
    const peak = nearestPeak(peaks, expected);
    const tolerance = Math.min(0.25 * f0, Math.max(1.5 * bin, 0.006 * expected));
    const found = peak !== null && Math.abs(peak.frequency - expected) <= tolerance;
    if (found) explained.add(peak);
    missing.push(!found);
  }
  const last = missing.lastIndexOf(false) + 1;
  if (last === 0) return 0;
  const gaps = missing.slice(0, last).filter(Boolean).length;
  return loudness([...explained]) / total - (0.7 * gaps) / last;
}
