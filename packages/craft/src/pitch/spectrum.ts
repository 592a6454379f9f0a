import FFT from 'fft.js';

/** Magnitudes of one excerpt of sound, from 0 Hz up. */
export interface Spectrum {
  magnitudes: Float64Array;
  /** Hz from one to the next. */
  bin: number;
}

interface Workshop {
  transform: FFT;
  hann: Float64Array;
}

/** Tables of one size are made once: they depend on nothing but the size. */
const workshops = new Map<number, Workshop>();

function workshopOf(size: number): Workshop {
  const known = workshops.get(size);
  if (known !== undefined) return known;
  const hann = Float64Array.from({ length: size }, (_, index) => 0.5 - 0.5 * Math.cos((2 * Math.PI * index) / size));
  const made = { transform: new FFT(size), hann };
  workshops.set(size, made);
  return made;
}

/**
 * Spectrum of an excerpt under Hann's weights.
 * @throws RangeError if the excerpt is no power of two.
 */
export function spectrumOf(excerpt: Float32Array, sampleRate: number): Spectrum {
  const size = excerpt.length;
  if (size < 2 || (size & (size - 1)) !== 0) throw new RangeError(`an excerpt must be a power of two, was ${size}`);
  const { transform, hann } = workshopOf(size);
  const complex = transform.createComplexArray();
  transform.realTransform(
    complex,
    hann.map((weight, index) => weight * (excerpt[index] ?? 0)),
  );
  const magnitudes = Float64Array.from({ length: size / 2 }, (_, index) =>
    Math.hypot(complex[2 * index] ?? 0, complex[2 * index + 1] ?? 0),
  );
  return { magnitudes, bin: sampleRate / size };
}
