import { done, refused, type Outcome } from '@gold-peg/craft/outcome';
import wavefile from 'wavefile';
import type { Fault } from './fault.js';

/** One channel of sound, samples between −1 and 1. */
export interface Sound {
  samples: Float32Array;
  sampleRate: number;
}

const RATES = { from: 16_000, to: 192_000 };
const LONGEST_SECONDS = 120;

/** Reads a WAV file of any depth; several channels become their mean. */
export function readSound(bytes: Uint8Array): Outcome<Sound, Fault> {
  const file = new wavefile.WaveFile();
  try {
    file.fromBuffer(bytes);
    file.toBitDepth('32f');
  } catch (error) {
    return refused({ field: 'file', says: `must be a WAV file: ${error instanceof Error ? error.message : String(error)}` });
  }
  const { sampleRate, numChannels } = file.fmt as { sampleRate: number; numChannels: number };
  if (!(sampleRate >= RATES.from && sampleRate <= RATES.to))
    return refused({ field: 'file', says: `must have between ${RATES.from} and ${RATES.to} samples a second, has ${sampleRate}` });
  const read: unknown = file.getSamples(false, Float32Array);
  const channels = numChannels === 1 ? [read as Float32Array] : (read as Float32Array[]);
  const [first] = channels;
  if (first === undefined || first.length > LONGEST_SECONDS * sampleRate)
    return refused({ field: 'file', says: `must hold sound of at most ${LONGEST_SECONDS} s` });
  const samples = first.map((_, index) => channels.reduce((sum, channel) => sum + (channel[index] ?? 0), 0) / channels.length);
  return done({ samples, sampleRate });
}
