import { describe, expect, it } from 'vitest';
import wavefile from 'wavefile/dist/wavefile.js';
import { readSound, type Sound } from './index.js';

/** A file of so many bits, with what its samples are worth at full scale. */
function wav(channels: readonly (readonly number[])[], depth: string, full: number, rate = 44_100): Uint8Array {
  const file = new wavefile.WaveFile();
  const whole = channels.map((channel) => channel.map((sample) => (full === 1 ? sample : Math.round(full * sample))));
  file.fromScratch(channels.length, rate, depth, whole.length === 1 ? (whole[0] ?? []) : whole);
  return file.toBuffer();
}
function soundOf(bytes: Uint8Array): Sound {
  const read = readSound(bytes);
  if (!read.ok) throw new Error(read.problem);
  return read.value;
}
const TAKE = [0, 0.25, -0.5, 0.75];

describe('a WAV file', () => {
  it.each([
    ['16', 2 ** 15, 2 ** -15],
    ['24', 2 ** 23, 2 ** -23],
    ['32f', 1, 1e-7],
  ])('of %s bits is read to its last step', (depth, full, step) => {
    const { samples, sampleRate } = soundOf(wav([TAKE], depth, full));
    expect(sampleRate).toBe(44_100);
    for (const [index, sample] of TAKE.entries()) expect(Math.abs((samples[index] ?? 9) - sample)).toBeLessThanOrEqual(1.01 * step);
  });

  it('of several channels is their mean', () => {
    const { samples } = soundOf(wav([TAKE, [0, 0.75, 0.5, -0.75]], '32f', 1));
    expect([...samples]).toEqual([0, 0.5, 0, 0]);
  });

  it('is read from 8 to 96 kHz', () => {
    for (const rate of [8000, 22_050, 48_000, 96_000]) expect(soundOf(wav([TAKE], '16', 2 ** 15, rate)).sampleRate).toBe(rate);
  });

  it('that is none, too slow or too long is refused in words', () => {
    const refusal = (bytes: Uint8Array) => readSound(bytes) as { problem: string };
    expect(refusal(new Uint8Array([1, 2, 3])).problem).toContain('must be a WAV file');
    expect(refusal(wav([TAKE], '16', 2 ** 15, 4000)).problem).toBe('must have between 8000 and 192000 samples a second, has 4000');
    const long = Array.from({ length: 8000 * 121 }, () => 0);
    expect(refusal(wav([long], '16', 2 ** 15, 8000)).problem).toBe('must hold sound of at most 120 s');
  });
});
