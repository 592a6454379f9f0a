import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromiumPath } from '../scripts/debian.js';

/** One channel of 16 bits, as a microphone that is fed a file wants it. */
export function wav(samples: Float32Array, rate: number): Buffer {
  const file = Buffer.alloc(44 + 2 * samples.length);
  file.write('RIFF', 0);
  file.writeUInt32LE(36 + 2 * samples.length, 4);
  file.write('WAVEfmt ', 8);
  file.writeUInt32LE(16, 16);
  file.writeUInt16LE(1, 20);
  file.writeUInt16LE(1, 22);
  file.writeUInt32LE(rate, 24);
  file.writeUInt32LE(2 * rate, 28);
  file.writeUInt16LE(2, 32);
  file.writeUInt16LE(16, 34);
  file.write('data', 36);
  file.writeUInt32LE(2 * samples.length, 40);
  samples.forEach((sample, index) => file.writeInt16LE(Math.round(32_000 * sample), 44 + 2 * index));
  return file;
}

/** The same as a file of this machine. Returns its path. */
export function wavFile(samples: Float32Array, rate: number): string {
  const file = join(mkdtempSync(join(tmpdir(), 'gold-peg-')), 'take.wav');
  writeFileSync(file, wav(samples, rate));
  return file;
}

/** A browser whose microphone is fed with a file. */
export const fedWith = (file: string) => ({
  executablePath: chromiumPath(),
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--use-fake-ui-for-media-stream',
    '--use-fake-device-for-media-stream',
    `--use-file-for-fake-audio-capture=${file}`,
  ],
});
