import { PEGS, RINGS } from '../constants/index.js';
import { ringing, type RingsAlong } from '../sound/index.js';
import { pitchNow, pullsOf, type SimulatedString, type StringState } from './string-state.js';

/**
 * B of a stiff string, f_n = n f0 √(1 + B n²): π³ E d⁴ / (64 T L²), which is π² EA d² / (16 T L²) for a round core of diameter d. A winding adds mass and hardly any
 * stiffness.
 */
export function inharmonicityOf({ string, scale }: SimulatedString, pull: number): number {
  const diameter = string.core ?? string.gauge;
  return (Math.PI ** 2 * string.stiffness * diameter ** 2) / (16 * pull * scale ** 2);
}

/** How it rings, whoever made it sound. */
function ringOf(of: SimulatedString, state: StringState): RingsAlong {
  const ring = (of.string.thins ? RINGS.polymer : RINGS.steel).value;
  const inharmonicity = Math.min(inharmonicityOf(of, pullsOf(of, state).body), RINGS.mostInharmonicity.value);
  const worn = of.worn ? { ring: ring * RINGS.worn.value, dulls: RINGS.dullsWorn.value } : { ring, dulls: RINGS.dulls.value };
  return { first: pitchNow(of, state), inharmonicity, ...worn };
}

/** A string as it stands. */
export interface Standing {
  of: SimulatedString;
  state: StringState;
}

/**
 * What a microphone hears of a pluck, piece by piece: each call gives as many samples as it asks for. Silence where it hangs slack. `chance`: evenly between 0 and 1.
 * `others`: strings beside it that no hand damps, which ring along.
 */
export function soundOf(
  of: SimulatedString,
  state: StringState,
  sampleRate: number,
  chance: () => number,
  others: readonly Standing[] = [],
): (count: number) => Float32Array {
  if (pullsOf(of, state).body === 0) return (count) => new Float32Array(count);
  const { pluckedFrom, pluckedTo } = RINGS;
  const at = pluckedFrom.value + (pluckedTo.value - pluckedFrom.value) * chance();
  const along = others
    .filter((other) => pitchNow(other.of, other.state) >= PEGS.sounds.value)
    .map((other) => ringOf(other.of, other.state));
  return ringing({ ...ringOf(of, state), at, sampleRate }, chance, along);
}
