import { pluck } from '@gold-peg/craft/sound';
import { hertz } from '@gold-peg/craft/units';
import { describe, expect, it } from 'vitest';
import { answer } from './index.js';

/** A second of silence, then a string of 110.5 Hz: 7.85 cents above A2. */
const string = pluck({ first: hertz(110.5), inharmonicity: 1e-4, at: 0.2, ring: 6, seconds: 1.5, sampleRate: 44_100 }, () => 0.3);
const take = new Float32Array(44_100 + string.length);
take.set(string, 44_100);

describe('pitch', () => {
  it('tells note, cents and stiffness where a string sounds, and nothing before', () => {
    const reply = answer('pitch', { targetsHz: [110], hopMs: 50 }, { samples: take, sampleRate: 44_100 });
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
