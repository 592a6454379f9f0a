import { done, refused, type Outcome } from '@gold-peg/craft/outcome';
import wavefile from 'wavefile/dist/wavefile.js';

/** One channel of sound, samples between −1 and 1. */
export interface Sound {
  samples: Float32Array<ArrayBuffer>;
  sampleRate: number;
}

const RATES = { from: 8000, to: 192_000 };
const LONGEST_SECONDS = 120;
/** What a sample of a depth is worth: where silence lies, and how far full scale is from it. */
const DEPTHS: Readonly<Record<string, { silence: number; full: number }>> = {
  '8': { silence: 2 ** 7, full: 2 ** 7 },
  '16': { silence: 0, full: 2 ** 15 },
  '24': { silence: 0, full: 2 ** 23 },
  '32': { silence: 0, full: 2 ** 31 },
  '32f': { silence: 0, full: 1 },
  '64': { silence: 0, full: 1 },
};

/** Reads a WAV file of whole numbers or fractions; several channels become their mean. Refused in words that begin with ‘must’. */
export function readSound(bytes: Uint8Array): Outcome<Sound, string> {
  const file = new wavefile.WaveFile();
  try {
    file.fromBuffer(bytes);
  } catch (error) {
    return refused(`must be a WAV file: ${(error instanceof Error ? error.message : String(error)).replace(/\.$/, '')}`);
  }
  const { sampleRate, numChannels } = file.fmt as { sampleRate: number; numChannels: number };
  const depth = DEPTHS[file.bitDepth];
  if (depth === undefined)
    return refused(`must have samples of ${Object.keys(DEPTHS).join(', ')} bits (f: fractions), has ${file.bitDepth}`);
  if (!(sampleRate >= RATES.from && sampleRate <= RATES.to))
    return refused(`must have between ${RATES.from} and ${RATES.to} samples a second, has ${sampleRate}`);
  const read = file.getSamples(true, Float64Array) as unknown as Float64Array;
  const length = Math.floor(read.length / numChannels);
  if (length > LONGEST_SECONDS * sampleRate) return refused(`must hold sound of at most ${LONGEST_SECONDS} s`);
  const samples = Float32Array.from({ length }, (_, index) => {
    let sum = 0;
    for (let channel = 0; channel < numChannels; channel++) sum += (read[index * numChannels + channel] ?? 0) - depth.silence;
    return sum / (numChannels * depth.full);
  });
  return done({ samples, sampleRate });
}
