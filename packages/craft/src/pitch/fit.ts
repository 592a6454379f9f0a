import { HEARING } from '../constants/index.js';
import type { Peak } from './peaks.js';

/** A stiff string laid through peaks: f_n = n f0 √(1 + B n²). */
export interface PartialFit {
  /** Without stiffness, Hz. */
  f0: number;
  inharmonicity: number;
  /** Peaks that are partials of it, with their numbers. */
  partials: readonly { n: number; peak: Peak }[];
}

const MOST_PARTIALS = 30;
/** Partials taken in turn: the first few place the next ones. */
const GROWING = [4, 8, 14, 22, MOST_PARTIALS, MOST_PARTIALS];
/** A peak belongs to a partial within this share of the spacing, and within this share of its frequency or two bins. */
const WITHIN = { spacing: 0.3, share: 0.008 };
/** Deviations beyond this many typical ones do not count (Tukey). */
const REACH = 4.685;

export const partialAt = (n: number, f0: number, inharmonicity: number): number => n * f0 * Math.sqrt(1 + inharmonicity * n * n);

/** The peak that lies nearest to a frequency, by halving; null where there is none. */
export function nearestPeak(peaks: readonly Peak[], frequency: number): Peak | null {
  let low = 0;
  let high = peaks.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((peaks[middle] as Peak).frequency < frequency) low = middle + 1;
    else high = middle;
  }
  const [before, after] = [peaks[low - 1] ?? null, peaks[low] ?? null];
  if (before === null || after === null) return before ?? after;
  return frequency - before.frequency < after.frequency - frequency ? before : after;
}

/**
 * Fits f0 and B from a first guess, over peaks in the order of frequency. (f_n/n)² = f0² + f0² B n² is linear in n²; each peak counts by what its noise leaves uncertain, those
 * that lie off the line for less. `bin`: Hz between lines of the spectrum.
 */
export function fitPartials(peaks: readonly Peak[], guess: { f0: number; inharmonicity: number }, bin: number): PartialFit {
  let { f0, inharmonicity } = guess;
  let partials: { n: number; peak: Peak }[] = [];
  for (const most of GROWING) {
    partials = [];
    for (let n = 1; n <= most; n++) {
      const expected = partialAt(n, f0, inharmonicity);
      const peak = nearestPeak(peaks, expected);
      const tolerance = Math.min(WITHIN.spacing * f0, Math.max(2 * bin, WITHIN.share * expected));
      if (peak !== null && Math.abs(peak.frequency - expected) <= tolerance) partials.push({ n, peak });
    }
    if (partials.length === 0) break;
    ({ f0, inharmonicity } = lineThrough(partials, { f0, inharmonicity }, bin));
  }
  return { f0, inharmonicity, partials };
}

function lineThrough(partials: readonly { n: number; peak: Peak }[], start: { f0: number; inharmonicity: number }, bin: number) {
  let { f0, inharmonicity } = start;
  for (let round = 0; round < 4; round++) {
    const offs = partials.map(({ n, peak }) => peak.frequency - partialAt(n, f0, inharmonicity));
    const typical = Math.max(0.01 * bin, 1.4826 * medianOf(offs.map(Math.abs)));
    // the prior of B is a line of its own: slope = f0² B
    const weak = (HEARING.spreadOfInharmonicity.value * f0 ** 2) ** -2;
    let [sw, sx, sy, sxx, sxy] = [0, 0, 0, weak, weak * HEARING.typicalInharmonicity.value * f0 ** 2];
    partials.forEach(({ n, peak }, index) => {
      const off = round === 0 ? 0 : (offs[index] as number) / (REACH * typical);
      const counts = Math.abs(off) >= 1 ? 0 : (1 - off * off) ** 2;
      const deviation = (0.5 * bin) / peak.above + 0.002 * bin; // Hz
      const weight = counts * (n ** 2 / (2 * peak.frequency * deviation)) ** 2;
      const [x, y] = [n * n, (peak.frequency / n) ** 2];
      sw += weight;
      sx += weight * x;
      sy += weight * y;
      sxx += weight * x * x;
      sxy += weight * x * y;
    });
    const slope = (sxy - (sx * sy) / sw) / (sxx - (sx * sx) / sw);
    const bounded = Math.min(Math.max(slope, 0), HEARING.mostInharmonicity.value * f0 ** 2);
    const square = (sy - bounded * sx) / sw;
    if (!(square > 0)) break;
    f0 = Math.sqrt(square);
    inharmonicity = bounded / square;
  }
  return { f0, inharmonicity };
}

function medianOf(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1] as number;
}
