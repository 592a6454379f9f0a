import { RINGS } from '../constants/index.js';
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
  /** How much faster than the one below it each partial fades, as a share of the first; that of a fresh string unless said. */
  dulls?: number;
  seconds: number;
  sampleRate: number;
}

/** Above this nothing is made: microphones of tablets hear little more. */
const HIGHEST_HZ = 9000;

/** Fundamental without stiffness of a string whose first partial is this: f1 = f0 √(1 + B). */
const withoutStiffness = (first: Hertz, inharmonicity: number): number => first / Math.sqrt(1 + inharmonicity);

/** A string beside it that nobody plucks, and no hand damps. */
export type RingsAlong = Pick<Pluck, 'first' | 'inharmonicity' | 'ring' | 'dulls'>;

/** A partial as it is now: a vector that turns and fades from sample to sample. */
interface Partial {
  frequency: number;
  strength: number;
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
 * The same sound piece by piece, without an end: each call gives as many samples as it asks for. Loudest sample of the beginning one. Strings `along` it are driven
 * through the bridge where a partial of theirs lies near one that sounds, by 1/√(1 + (Δf / width)²) of what it has.
 * @throws RangeError if it is plucked outside the string.
 */
export function ringing(
  string: Omit<Pluck, 'seconds'>,
  chance: () => number,
  along: readonly RingsAlong[] = [],
): (count: number) => Float32Array {
  const plucked = partialsOf(string, chance);
  const partials = [...plucked, ...along.flatMap((other) => drivenBy(plucked, other, string.sampleRate, chance))];
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

function partialsOf(
  { first, inharmonicity, at, ring: fading, dulls = RINGS.dulls.value, sampleRate }: Omit<Pluck, 'seconds'>,
  chance: () => number,
): Partial[] {
  if (!(at > 0 && at < 1)) throw new RangeError(`a string is plucked between its ends, not at ${at}`);
  return frequenciesOf({ first, inharmonicity }, sampleRate).map((frequency, index) => {
    const strength = Math.sin((index + 1) * Math.PI * at) / (index + 1);
    return partial({ frequency, strength, phase: 2 * Math.PI * chance(), sampleRate, fades: fading / (1 + dulls * index) });
  });
}

function frequenciesOf({ first, inharmonicity }: Pick<Pluck, 'first' | 'inharmonicity'>, sampleRate: number): number[] {
  const f0 = withoutStiffness(first, inharmonicity);
  const most = Math.min(HIGHEST_HZ, sampleRate / 2.2);
  const frequencies: number[] = [];
  for (let n = 1; ; n++) {
    const frequency = n * f0 * Math.sqrt(1 + inharmonicity * n * n);
    if (frequency > most) return frequencies;
    frequencies.push(frequency);
  }
}

interface Sounding {
  frequency: number;
  strength: number;
  phase: number;
  sampleRate: number;
  /** By 60 dB, s. */
  fades: number;
}

function partial({ frequency, strength, phase, sampleRate, fades }: Sounding): Partial {
  const [step, fade] = [(2 * Math.PI * frequency) / sampleRate, Math.exp((-3 * Math.LN10) / (fades * sampleRate))];
  const [x, y] = [strength * Math.cos(phase), strength * Math.sin(phase)];
  return { frequency, strength, cos: Math.cos(step) * fade, sin: Math.sin(step) * fade, x, y };
}

/** What sounds on a string beside: it begins at nothing, so each partial comes with its opposite, which fades as fast as the other grows. */
function drivenBy(plucked: readonly Partial[], other: RingsAlong, sampleRate: number, chance: () => number): Partial[] {
  const { couples, width, least } = RINGS;
  const grows = (3 * Math.LN10) / (2 * Math.PI * width.value);
  return frequenciesOf(other, sampleRate).flatMap((frequency, index) => {
    const near = (by: Partial) => Math.abs(by.strength) / Math.hypot(1, (frequency - by.frequency) / width.value);
    const strength = couples.value * plucked.reduce((most, by) => Math.max(most, near(by)), 0);
    if (strength < least.value) return [];
    const own = { frequency, strength, phase: 2 * Math.PI * chance(), sampleRate };
    const fades = other.ring / (1 + (other.dulls ?? RINGS.dulls.value) * index);
    return [partial({ ...own, fades }), partial({ ...own, phase: own.phase + Math.PI, fades: Math.min(grows, fades) })];
  });
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
