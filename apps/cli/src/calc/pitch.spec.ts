import { pluck } from '@gold-peg/craft/sound';
import { hertz } from '@gold-peg/craft/units';
import { describe, expect, it } from 'vitest';
import wavefile from 'wavefile';
import { answer } from './index.js';
import { readSound, type Sound } from './sound.js';

/** A second of silence, then a string of 110.5 Hz: 7.85 cents above A2. */
const string = pluck({ first: hertz(110.5), inharmonicity: 1e-4, at: 0.2, ring: 6, seconds: 1.5, sampleRate: 44_100 }, () => 0.3);
const take = new Float32Array(44_100 + string.length);
take.set(string, 44_100);

function wav(channels: readonly Float32Array[], depth: string): Uint8Array {
  const file = new wavefile.WaveFile();
  const whole = depth === '16' ? channels.map((channel) => channel.map((sample) => Math.round(30_000 * sample))) : [...channels];
  file.fromScratch(channels.length, 44_100, depth, whole.length === 1 ? (whole[0] ?? take) : whole);
  return file.toBuffer();
}
function soundOf(bytes: Uint8Array): Sound {
  const read = readSound(bytes);
  if (!read.ok) throw new Error(read.problem.says);
  return read.value;
}

describe('a WAV file', () => {
  it('is read at any depth; channels become their mean', () => {
    const [exact, coarse] = [soundOf(wav([take], '32f')), soundOf(wav([take], '16'))];
    expect(exact.sampleRate).toBe(44_100);
    expect(exact.samples[50_000]).toBeCloseTo(take[50_000] ?? 1, 6);
    expect(coarse.samples[50_000]).toBeCloseTo((30_000 / 32_768) * (take[50_000] ?? 1), 3);
    const both = soundOf(wav([take, new Float32Array(take.length)], '32f'));
    expect(both.samples[50_000]).toBeCloseTo((take[50_000] ?? 1) / 2, 6);
  });

  it('that is none is refused', () => {
    expect(readSound(new Uint8Array([1, 2, 3]))).toMatchObject({ ok: false, problem: { field: 'file' } });
  });
});

describe('pitch', () => {
  it('tells note, cents and stiffness where a string sounds, and nothing before', () => {
    const reply = answer('pitch', { targetsHz: [110], hopMs: 50 }, soundOf(wav([take], '32f')));
    if (!reply.ok) throw new Error(reply.problem.detail);
    const { frames } = reply.answer as { frames: { timeS: number; note: string | null; cents: number | null }[] };
    const [silent, ringing] = [frames.filter(({ timeS }) => timeS < 0.8), frames.filter(({ timeS }) => timeS > 1.3)];
    expect(silent.every(({ note, cents }) => note === null && cents === null)).toBe(true);
    expect(ringing.length).toBeGreaterThan(15);
    for (const { note, cents } of ringing) expect([note, cents]).toEqual(['A2', expect.closeTo(7.85, 1)]);
  });

  it('asks for a file, and for fields that can be', () => {
    expect(answer('pitch', {})).toMatchObject({ ok: false, problem: { fields: [{ field: 'file' }] } });
    expect(answer('pitch', { hopMs: 1 })).toMatchObject({ ok: false, problem: { fields: [{ field: 'hopMs' }] } });
  });
});
