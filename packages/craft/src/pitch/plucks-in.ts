import { Ear, type Plucked } from './ear.js';

/** What was heard up to here. */
export interface HeardSoFar {
  /** Of the whole take, 0 to 1. */
  share: number;
  plucks: readonly Plucked[];
}

/** So much of a take is heard at once, s. */
const PIECE = 1;
/** The end of a take is followed by silence: what was plucked last is logged like the others. */
const SILENCE = 2;

/**
 * Hears a whole take, as an `Ear` would that had stood by, and tells of its plucks piece by piece. `samples`: one channel between −1 and 1.
 * @throws RangeError if the sample rate is not between 8 and 192 kHz.
 */
export function* plucksIn(samples: Float32Array, sampleRate: number): Generator<HeardSoFar> {
  const ear = new Ear(sampleRate);
  const [piece, plucks] = [Math.round(PIECE * sampleRate), [] as Plucked[]];
  const hear = (block: Float32Array) => plucks.push(...ear.hear(block).flatMap(({ plucked }) => plucked ?? []));
  for (let from = 0; from < samples.length; from += piece) {
    hear(samples.subarray(from, from + piece));
    yield { share: Math.min(1, (from + piece) / samples.length), plucks: [...plucks] };
  }
  hear(new Float32Array(Math.round(SILENCE * sampleRate)));
  yield { share: 1, plucks: [...plucks] };
}
