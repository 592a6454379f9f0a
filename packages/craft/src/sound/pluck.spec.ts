import { describe, expect, it } from 'vitest';
import { hertz } from '../units/index.js';
import { RINGS } from '../constants/index.js';
import { pluck, ringing } from './index.js';

const sampleRate = 48_000;
const still = () => 0.25;
const string = { first: hertz(200), inharmonicity: 0, at: 0.2, ring: 4, seconds: 1, sampleRate };

/** How strongly one frequency sounds in part of a second, by correlation with it. */
function strength(samples: Float32Array, frequency: number, from = 0, seconds = 0.2): number {
  let [x, y] = [0, 0];
  const count = Math.round(seconds * sampleRate);
  for (let index = 0; index < count; index++) {
    const turn = (2 * Math.PI * frequency * index) / sampleRate;
    const sample = samples[Math.round(from * sampleRate) + index] ?? 0;
    x += sample * Math.cos(turn);
    y += sample * Math.sin(turn);
  }
  return Math.hypot(x, y) / count;
}

describe('a plucked string', () => {
  it('has no partial with a node where it is plucked', () => {
    const samples = pluck({ ...string, at: 0.5 }, still);
    for (const n of [2, 4]) expect(strength(samples, 200 * n)).toBeLessThan(0.01 * strength(samples, 200));
  });

  it('fades by sixty decibels in its time, higher partials sooner', () => {
    const samples = pluck({ ...string, ring: 0.8 }, still);
    const db = (n: number) => 20 * Math.log10(strength(samples, 200 * n, 0.6) / strength(samples, 200 * n));
    expect(db(1)).toBeCloseTo((-60 * 0.6) / 0.8, 0);
    expect(db(4)).toBeLessThan(db(1));
  });

  it('is as loud as can be, and never more', () => {
    expect(pluck(string, still).reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)).toBeCloseTo(1, 6);
    expect(() => pluck({ ...string, at: 1 }, still)).toThrow('between its ends');
  });

  it('is the same sound piece by piece, however it is cut, but for one measure of loudness', () => {
    const whole = pluck(string, still);
    const next = ringing(string, still);
    const pieces = [1000, 37, 2048, 500].flatMap((count) => [...next(count)]);
    const scale = (pieces[100] ?? 0) / (whole[100] ?? 1);
    expect(scale).toBeCloseTo(1, 1);
    for (const [index, sample] of pieces.entries()) expect(sample).toBeCloseTo(scale * (whole[index] ?? 0), 5);
    expect(() => ringing({ ...string, at: 0 }, still)).toThrow('between its ends');
  });
});

describe('a string beside it', () => {
  const beside = (first: number) => ({ first: hertz(first), inharmonicity: 0, ring: 6 });
  const short = { ...string, ring: 0.5 };
  /** Once the plucked one is gone. */
  const left = (frequency: number, along: number[], from = string) => {
    const samples = ringing({ ...from, ring: short.ring }, still, along.map(beside))(2 * sampleRate);
    return strength(samples, frequency, 1.5, 0.4);
  };

  it('goes on ringing where a partial of its own is one of the plucked, and nowhere else', () => {
    const alone = left(600, []);
    expect(left(600, [600])).toBeGreaterThan(50 * alone); // a twelfth above
    expect(left(400, [400])).toBeGreaterThan(50 * alone); // an octave above
    expect(left(400, [400], { ...string, at: 0.5 })).toBeLessThan(0.05 * left(400, [400])); // plucked in its node
    expect(left(600, [150])).toBeGreaterThan(50 * alone); // a fourth below: its fourth is our third
    expect(left(150, [150])).toBeLessThan(0.2 * left(600, [150])); // 25 widths from our first
  });

  it('takes the less the farther off it is tuned: twenty widths, a twentieth', () => {
    const off = 20 * RINGS.width.value;
    expect(left(400 + off, [400 + off]) / left(400, [400])).toBeCloseTo(1 / Math.hypot(1, 20), 2);
  });

  it('begins at nothing and leaves the plucked one as it is', () => {
    const [alone, along] = [[], [beside(600)]].map((others) => ringing(string, still, others)(sampleRate / 2));
    for (let index = 0; index < 200; index++) expect(along?.[index]).toBeCloseTo(alone?.[index] ?? 1, 2);
    for (const at of [200, 400])
      expect(strength(along ?? (string as never), at) / strength(alone ?? (string as never), at)).toBeCloseTo(1, 1);
  });
});

it('a dull string loses its upper partials first, and its first no sooner', () => {
  const left = (dulls: number, n: number) => {
    const samples = pluck({ ...string, ring: 2, dulls }, still);
    return 20 * Math.log10(strength(samples, 200 * n, 0.3) / strength(samples, 200 * n));
  };
  expect(left(0.6, 1)).toBeCloseTo(left(0.12, 1), 1);
  // 30 dB a second, times 3 (0.6 − 0.12) more for the fourth: 13 dB in 0.3 s
  expect(left(0.12, 4) - left(0.6, 4)).toBeCloseTo(30 * 0.3 * 3 * 0.48, 0);
});
