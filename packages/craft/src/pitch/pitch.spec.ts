import { describe, expect, it } from 'vitest';
import { pluck } from '../sound/index.js';
import { hertz, type Hertz } from '../units/index.js';
import { detectPitch } from './detect.js';
import { trackPitch } from './index.js';

const SIZE = 16_384;

/** Chance that comes out the same every time (linear congruence). */
function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 1_664_525 + 1_013_904_223) % 2 ** 32) / 2 ** 32;
}
const normal = (chance: () => number) => Math.sqrt(-2 * Math.log(chance() + 1e-12)) * Math.cos(2 * Math.PI * chance());
const off = (frequency: number, from: number) => 1200 * Math.log2(frequency / from);

function noisy(samples: Float32Array, decibels: number, chance: () => number): Float32Array {
  const power = samples.reduce((sum, sample) => sum + sample * sample, 0) / samples.length;
  const deviation = Math.sqrt(power) * 10 ** (-decibels / 20);
  return samples.map((sample) => sample + deviation * normal(chance));
}

/** One window, from 80 ms after the pluck on. */
function heardOf(first: number, inharmonicity: number, decibels: number, chance: () => number, sampleRate = 48_000): Float32Array {
  const at = 0.12 + 0.15 * chance();
  const whole = pluck({ first: hertz(first), inharmonicity, at, ring: 8, seconds: 0.6, sampleRate }, chance);
  const start = Math.round(0.08 * sampleRate);
  return noisy(whole.slice(start, start + SIZE), decibels, chance);
}

function errors(pitch: number, inharmonicity: number, decibels: number, targets: Hertz[]): number[] {
  const chance = seeded(Math.round(pitch * 100 + decibels));
  return Array.from({ length: 5 }, () => {
    const first = pitch * 2 ** ((chance() - 0.5) / 20); // within half a semitone
    const heard = detectPitch({ excerpt: heardOf(first, inharmonicity, decibels, chance), sampleRate: 48_000, targets });
    return heard === null ? Number.NaN : off(heard.frequency, first);
  });
}
const rms = (values: readonly number[]) => Math.sqrt(values.reduce((sum, value) => sum + value ** 2, 0) / values.length);
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** B0 to E6, with stiffness as strings of that pitch have it. */
const NOTES: readonly (readonly [string, number, number])[] = [
  ['B0', 30.87, 1e-4],
  ['E1', 41.2, 3e-4],
  ['A1', 55, 1e-4],
  ['E2', 82.41, 1e-3],
  ['D3', 146.83, 2e-4],
  ['B3', 246.94, 4e-5],
  ['A4', 440, 2e-4],
  ['E6', 1318.5, 1e-3],
];

describe.each(NOTES)('%s', (_, pitch, inharmonicity) => {
  it('is heard to a third of a cent at 20 dB above the noise and half a cent at 10, in no wrong octave', () => {
    for (const [decibels, limit] of [
      [20, 0.3],
      [10, 0.5],
    ] as const) {
      const guided = errors(pitch, inharmonicity, decibels, [hertz(pitch)]);
      expect(rms(guided)).toBeLessThan(limit);
      if (decibels === 20) expect(Math.abs(mean(guided))).toBeLessThan(0.1);
      expect(rms(errors(pitch, inharmonicity, decibels, []))).toBeLessThan(limit); // nothing was expected
    }
  });
});

describe('what is heard', () => {
  it('does not move while a string of constant pitch fades for three seconds', () => {
    const chance = seeded(3);
    const sound = { first: hertz(110), inharmonicity: 4e-4, at: 0.14, ring: 8, seconds: 3.5, sampleRate: 48_000 };
    const samples = noisy(pluck(sound, chance), 40, chance);
    const frames = trackPitch({ samples, sampleRate: 48_000, targets: [hertz(110)], hop: 0.2 });
    const cents = frames.map(({ heard }) => off(heard?.frequency ?? Number.NaN, 110));
    expect(frames.length).toBeGreaterThan(14);
    expect(Math.max(...cents) - Math.min(...cents)).toBeLessThan(0.2);
  });

  it('is one string after another where one is plucked after another, each excerpt at its middle', () => {
    const chance = seeded(4);
    const [low, high] = [110, 147].map((first) => pluck({ first: hertz(first), inharmonicity: 1e-4, at: 0.14, ring: 4, seconds: 1.5, sampleRate: 48_000 }, chance)); // prettier-ignore
    const samples = noisy(new Float32Array([...(low ?? []), ...(high ?? [])]).slice(0, 16_384 + 25 * 4800), 40, chance);
    const frames = trackPitch({ samples, sampleRate: 48_000, targets: [], hop: 0.1 });
    expect(frames.map(({ time }) => time)).toEqual(Array.from({ length: 26 }, (_, nth) => expect.closeTo(nth * 0.1 + 8192 / 48_000, 9) as number)); // prettier-ignore
    const within = (from: number, until: number) =>
      frames.filter(({ time }) => time > from && time < until).map(({ heard }) => heard?.frequency ?? 0);
    for (const each of within(0, 1.33)) expect(Math.abs(off(each, 110))).toBeLessThan(2);
    for (const each of within(1.67, 3)) expect(Math.abs(off(each, 147))).toBeLessThan(2);
    expect([within(0, 1.33).length, within(1.67, 3).length]).toEqual([12, 11]);
  });

  it('is the first partial, also where the microphone does not hear it', () => {
    const chance = seeded(5);
    const excerpt = heardOf(41.2, 2e-4, 30, chance);
    // two high passes of one pole each at 120 Hz
    const keep = 1 / (1 + (2 * Math.PI * 120) / 48_000);
    for (let pass = 0; pass < 2; pass++) {
      let [out, before] = [0, 0];
      excerpt.forEach((sample, index) => {
        out = keep * (out + sample - before);
        before = sample;
        excerpt[index] = out;
      });
    }
    expect(Math.abs(off(detectPitch({ excerpt, sampleRate: 48_000, targets: [] })?.frequency ?? Number.NaN, 41.2))).toBeLessThan(0.5);
  });

  it('is the same at 44.1 kHz, and tells how stiff the string is', () => {
    const heard = detectPitch({ excerpt: heardOf(196, 5e-4, 40, seeded(9), 44_100), sampleRate: 44_100, targets: [] });
    expect(Math.abs(off(heard?.frequency ?? Number.NaN, 196))).toBeLessThan(0.3);
    expect((heard?.inharmonicity ?? 0) / 5e-4).toBeCloseTo(1, 1);
  });

  it('is another string where another was plucked: what is expected does not bend it', () => {
    const excerpt = heardOf(110, 1e-4, 30, seeded(11));
    expect(Math.abs(off(detectPitch({ excerpt, sampleRate: 48_000, targets: [] })?.frequency ?? Number.NaN, 110))).toBeLessThan(0.3);
    const wrong = detectPitch({ excerpt, sampleRate: 48_000, targets: [hertz(329.63)] });
    expect(wrong === null || wrong.confidence < 0.33).toBe(true);
  });

  it('must fit the transform', () => {
    expect(() => detectPitch({ excerpt: new Float32Array(1000), sampleRate: 48_000, targets: [] })).toThrow('power of two');
    expect(() => trackPitch({ samples: new Float32Array(9), sampleRate: 48_000, targets: [], hop: 0 })).toThrow('hop');
  });
});

describe('no string is', () => {
  const chance = seeded(17);
  const second = (sound: (at: number) => number) => Float32Array.from({ length: 48_000 }, (_, index) => sound(index / 48_000));
  const sine = (hz: number, at: number) => Math.sin(2 * Math.PI * hz * at);
  let [walk, turn] = [0, 0];

  it.each<[string, (at: number) => number]>([
    ['silence', () => 0],
    ['noise', () => 0.1 * normal(chance)],
    ['rumble', () => (walk = 0.98 * walk + 0.1 * normal(chance))],
    ['hum of the mains', (at) => 0.3 * sine(50, at) + 0.1 * sine(150, at) + 0.01 * normal(chance)],
    ['a tap', (at) => normal(chance) * Math.exp(-60 * at) + 0.001 * normal(chance)],
    [
      'speech',
      (at) => {
        turn += (120 * (1 + 0.25 * sine(2.5, at))) / 48_000;
        return [1, 2, 3, 4, 5, 6].reduce((sum, n) => sum + Math.sin(2 * Math.PI * n * turn) / n, 0) * 0.3 + 0.01 * normal(chance);
      },
    ],
  ])('%s', (_, sound) => {
    const frames = trackPitch({ samples: second(sound), sampleRate: 48_000, targets: [], hop: 2048 / 48_000 });
    expect(frames.length).toBeGreaterThan(10);
    expect(frames.filter(({ heard }) => heard !== null)).toEqual([]);
  });
});
