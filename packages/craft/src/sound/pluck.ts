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

/** A partial as it is now: a vector that turns and fades from sample to sample. */
interface Partial {
  cos: number;
  sin: number;
  x: number;
  y: number;
}

/**
 * What a plucked stiff string sounds like: partials at n f0 √(1 + B n²), each as strong as plucking there makes it (sin(nπβ)/n for the velocity that a bridge hears) and
 * fading faster the higher it is. `chance` gives the phases, evenly between 0 and 1. Loudest sample one.
 * @throws RangeError if it is plucked outside the string.
 */
export function pluck({ seconds, ...string }: Pluck, chance: () => number): Float32Array {
  const samples = new Float32Array(Math.round(seconds * string.sampleRate));
  ring(partialsOf(string, chance), samples);
  return scaled(samples, loudestOf(samples));
}

/** So much of the beginning is as loud as it gets, s: from there on it only fades. */
const ATTACK = 0.1;

/**
 * The same sound piece by piece, without an end: each call gives as many samples as it asks for. Loudest sample of the beginning one.
 * @throws RangeError if it is plucked outside the string.
 */
export function ringing(string: Omit<Pluck, 'seconds'>, chance: () => number): (count: number) => Float32Array {
  const partials = partialsOf(string, chance);
  const beginning = new Float32Array(Math.round(ATTACK * string.sampleRate));
  ring(
    partials.map((partial) => ({ ...partial })),
    beginning,
  );
  const loudest = loudestOf(beginning);
  return (count) => {
    const piece = new Float32Array(count);
    ring(partials, piece);
    return scaled(piece, loudest);
  };
}

function partialsOf({ first, inharmonicity, at, ring: fading, sampleRate }: Omit<Pluck, 'seconds'>, chance: () => number): Partial[] {
  if (!(at > 0 && at < 1)) throw new RangeError(`a string is plucked between its ends, not at ${at}`);
  const f0 = withoutStiffness(first, inharmonicity);
  const most = Math.min(HIGHEST_HZ, sampleRate / 2.2);
  const partials: Partial[] = [];
  for (let n = 1; ; n++) {
    const frequency = n * f0 * Math.sqrt(1 + inharmonicity * n * n);
    if (frequency > most) return partials;
    const [step, strength, phase] = [(2 * Math.PI * frequency) / sampleRate, Math.sin(n * Math.PI * at) / n, 2 * Math.PI * chance()];
    const fade = Math.exp(-Math.LN10 * 3 * ((1 + 0.12 * (n - 1)) / (fading * sampleRate)));
    partials.push({
      cos: Math.cos(step) * fade,
      sin: Math.sin(step) * fade,
      x: strength * Math.cos(phase),
      y: strength * Math.sin(phase),
    });
  }
}

/** Adds what the partials sound next, and leaves them where they are then. */
function ring(partials: readonly Partial[], samples: Float32Array): void {
  for (const partial of partials) {
    const { cos, sin } = partial;
    let { x, y } = partial;
    for (let index = 0; index < samples.length; index++) {
      samples[index] = (samples[index] ?? 0) + y;
      [x, y] = [x * cos - y * sin, x * sin + y * cos];
    }
    partial.x = x;
    partial.y = y;
  }
}

const loudestOf = (samples: Float32Array): number => samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
const scaled = (samples: Float32Array, loudest: number): Float32Array =>
  loudest === 0 ? samples : samples.map((sample) => sample / loudest);
