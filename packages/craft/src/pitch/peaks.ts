import type { Spectrum } from './spectrum.js';

export interface Peak {
  frequency: number;
  magnitude: number;
  /** How far it stands above the noise about it, as a ratio of magnitudes. */
  above: number;
}

/** Partials above this say little about the pitch and are the first to be lost. */
const HIGHEST_HZ = 6000;
const LOWEST_HZ = 20;
/** Bins from which the noise about a place is judged, and the share of them that lies below it. */
const NEIGHBOURHOOD = 128;
const NOISE_SHARE = 0.4;
/** A peak is that many times as strong as the noise. */
const CLEAR = 5;
/** Power of the magnitude that makes the top of a Hann peak a parabola. */
const POWER = 0.23;

/** What sounds all the time, as a spectrum of the same size: a peak that stands out of it by less than this many times, near it, is no string. */
const OVER_BACKGROUND = { times: 2, bins: 2 };

/** Peaks that stand well above the noise about them and above what sounds all the time, their frequency and height from a parabola through three bins of a power of the magnitude. */
export function peaksOf({ magnitudes, bin }: Spectrum, background: Float64Array | null = null): Peak[] {
  const last = Math.min(magnitudes.length - 3, Math.ceil(HIGHEST_HZ / bin));
  const noise = noiseOf(magnitudes, last);
  const peaks: Peak[] = [];
  for (let k = Math.max(2, Math.floor(LOWEST_HZ / bin)); k <= last; k++) {
    const here = magnitudes[k] ?? 0;
    const [below, above] = [magnitudes[k - 1] ?? 0, magnitudes[k + 1] ?? 0];
    if (!(here > below && here >= above)) continue;
    const floor = noise[Math.floor(k / NEIGHBOURHOOD)] ?? 0;
    if (here <= CLEAR * floor || here <= OVER_BACKGROUND.times * mostAbout(background, k)) continue;
    const [a, b, c] = [below ** POWER, here ** POWER, above ** POWER];
    const off = (a - c) / (2 * (a - 2 * b + c));
    const top = b - ((a - c) * off) / 4;
    peaks.push({ frequency: (k + off) * bin, magnitude: top ** (1 / POWER), above: here / Math.max(floor, Number.MIN_VALUE) });
  }
  return peaks;
}

function mostAbout(background: Float64Array | null, k: number): number {
  if (background === null) return 0;
  let most = 0;
  for (let each = k - OVER_BACKGROUND.bins; each <= k + OVER_BACKGROUND.bins; each++) most = Math.max(most, background[each] ?? 0);
  return most;
}

/** Noise by blocks of the spectrum: a low percentile of each block and its neighbours, so that partials do not count. */
function noiseOf(magnitudes: Float64Array, last: number): number[] {
  const blocks = Math.floor(last / NEIGHBOURHOOD) + 1;
  return Array.from({ length: blocks }, (_, block) => {
    const from = Math.max(1, (block - 0.5) * NEIGHBOURHOOD);
    const sorted = magnitudes.slice(from, from + 2 * NEIGHBOURHOOD).sort();
    return sorted[Math.floor(NOISE_SHARE * sorted.length)] ?? 0;
  });
}
