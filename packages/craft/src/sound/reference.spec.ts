import { expect, it } from 'vitest';
import { hertz } from '../units/index.js';
import { pluck, ringing } from './index.js';

const RATE = 8000;
/** Chances in their order, each once. */
const drawn = () => {
  let state = 17;
  return () => (state = (state * 75 + 74) % 65_537) / 65_537;
};

interface Part {
  frequency: number;
  strength: number;
  phase: number;
  /** To a thousandth, s. */
  fades: number;
}
/** f_n = n f1 √((1 + B n²) / (1 + B)), as high as half the rate and a bit allow. */
const frequencies = (first: number, b: number): number[] =>
  Array.from({ length: 99 }, (_, at) => (at + 1) * first * Math.sqrt((1 + b * (at + 1) ** 2) / (1 + b))).filter(
    (each) => each <= RATE / 2.2,
  );
/** Each a wave that fades, reckoned at its time. */
const sounds = (parts: readonly Part[], time: number) =>
  parts.reduce(
    (sum, { frequency, strength, phase, fades }) =>
      sum + strength * 1000 ** (-time / fades) * Math.sin(2 * Math.PI * frequency * time + phase),
    0,
  );
const samplesOf = (parts: readonly Part[], count: number) => Array.from({ length: count }, (_, at) => sounds(parts, at / RATE));
const loudest = (samples: readonly number[]) => Math.max(...samples.map(Math.abs));

const string = { first: hertz(190), inharmonicity: 4e-4, at: 0.17, ring: 3, dulls: 0.2, sampleRate: RATE };
const pluckedParts = (chance: () => number): Part[] =>
  frequencies(190, 4e-4).map((frequency, at) => ({
    frequency,
    strength: Math.sin((at + 1) * Math.PI * 0.17) / (at + 1),
    phase: 2 * Math.PI * chance(),
    fades: 3 / (1 + 0.2 * at),
  }));

it('sounds, sample by sample, as the sum of its partials: turned on from one to the next is reckoned at each time', () => {
  const samples = pluck({ ...string, seconds: 0.5 }, drawn());
  const wanted = samplesOf(pluckedParts(drawn()), RATE / 2);
  const most = loudest(wanted);
  expect(samples).toHaveLength(RATE / 2);
  for (const [at, each] of wanted.entries()) expect(samples[at]).toBeCloseTo(each / most, 4);
});

it('drives the string beside it by a twentieth of what lies near, and each partial of that grows from nothing', () => {
  const other = { first: hertz(381), inharmonicity: 1e-4, ring: 2, dulls: 0.1 };
  const chance = drawn();
  const plucked = pluckedParts(chance);
  const along = frequencies(381, 1e-4).flatMap((frequency, at): Part[] => {
    const near = plucked.map((by) => Math.abs(by.strength) / Math.hypot(1, (frequency - by.frequency) / 2));
    const strength = 0.05 * Math.max(...near);
    if (strength < 0.001) return [];
    const phase = 2 * Math.PI * chance();
    const fades = 2 / (1 + 0.1 * at);
    // what answers to 2 Hz takes 1/2π2 s for each e-fold
    const grows = (3 * Math.LN10) / (2 * Math.PI * 2);
    return [
      { frequency, strength, phase, fades },
      { frequency, strength: -strength, phase, fades: Math.min(grows, fades) },
    ];
  });
  expect(along.length).toBeGreaterThan(3);
  expect(along.length / 2).toBeLessThan(frequencies(381, 1e-4).length); // some lie near nothing
  const wanted = samplesOf([...plucked, ...along], 3 * RATE);
  const most = loudest(wanted.slice(0, RATE / 10)); // a tenth of a second is as loud as it gets
  const samples = ringing(string, drawn(), [other])(3 * RATE);
  for (const [at, each] of wanted.entries()) expect(samples[at]).toBeCloseTo(each / most, 3);
});

it('is silent where nothing sounds', () => {
  expect([...pluck({ ...string, first: hertz(5000), seconds: 0.01 }, drawn())].every((sample) => sample === 0)).toBe(true);
});
