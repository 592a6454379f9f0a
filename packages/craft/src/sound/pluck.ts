import type { Hertz } from '../units/index.js';

/** One string that is plucked once and rings out. */
export interface Pluck {
  /** Its first partial. */
  first: Hertz;
  /** B in f_n = n f0 √(1 + B n²). */
  inharmonicity: number;
  /** Where it is plucked, as a share of its length. */
  at: number;
  /** Time in which its first partial fades by 60 dB, s; higher ones fade faster. */
  ring: number;
  seconds: number;
  sampleRate: number;
}

/** Above this nothing is made: microphones of tablets hear little more. */
const HIGHEST_HZ = 9000;

/** Fundamental without stiffness of a string whose first partial is this: f1 = f0 √(1 + B). */
const withoutStiffness = (first: Hertz, inharmonicity: number): number => first / Math.sqrt(1 + inharmonicity);

/**
 * What a plucked stiff string sounds like: partials at n f0 √(1 + B n²), each as strong as plucking there makes it (sin(nπβ)/n for the velocity that a bridge hears) and
 * fading faster the higher it is. `chance` gives the phases, evenly between 0 and 1. Loudest sample one.
 * @throws RangeError if it is plucked outside the string.
 */
export function pluck({ first, inharmonicity, at, ring, seconds, sampleRate }: Pluck, chance: () => number): Float32Array {
  if (!(at > 0 && at < 1)) throw new RangeError(`a string is plucked between its ends, not at ${at}`);
  const samples = new Float32Array(Math.round(seconds * sampleRate));
  const f0 = withoutStiffness(first, inharmonicity);
  const most = Math.min(HIGHEST_HZ, sampleRate / 2.2);
  for (let n = 1; ; n++) {
    const frequency = n * f0 * Math.sqrt(1 + inharmonicity * n * n);
    if (frequency > most) break;
    add(samples, {
      step: (2 * Math.PI * frequency) / sampleRate,
      strength: Math.sin(n * Math.PI * at) / n,
      fade: Math.exp(-Math.LN10 * 3 * ((1 + 0.12 * (n - 1)) / (ring * sampleRate))),
      phase: 2 * Math.PI * chance(),
    });
  }
  const loudest = samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
  return loudest === 0 ? samples : samples.map((sample) => sample / loudest);
}

/** Adds one fading sine, by turning a vector on from sample to sample. */
function add(
  samples: Float32Array,
  { step, strength, fade, phase }: { step: number; strength: number; fade: number; phase: number },
): void {
  const [cos, sin] = [Math.cos(step) * fade, Math.sin(step) * fade];
  let x = strength * Math.cos(phase);
  let y = strength * Math.sin(phase);
  for (let index = 0; index < samples.length; index++) {
    samples[index] = (samples[index] ?? 0) + y;
    [x, y] = [x * cos - y * sin, x * sin + y * cos];
  }
}
