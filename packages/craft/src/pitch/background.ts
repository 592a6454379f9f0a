import { spectrumOf } from './spectrum.js';

/** How much a new excerpt of silence counts against what was learned before. */
const COUNTS = 0.2;

/** What sounds while nobody plucks: hum, a fan. Learned while nothing sounds; one spectrum for each length of excerpt. */
export class Background {
  private readonly known = new Map<number, Float64Array>();

  learn(excerpt: Float32Array, sampleRate: number): void {
    const { magnitudes } = spectrumOf(excerpt, sampleRate);
    const before = this.known.get(excerpt.length);
    this.known.set(
      excerpt.length,
      before === undefined ? magnitudes : before.map((value, k) => value + COUNTS * ((magnitudes[k] ?? 0) - value)),
    );
  }

  of(length: number): Float64Array | null {
    return this.known.get(length) ?? null;
  }
}
