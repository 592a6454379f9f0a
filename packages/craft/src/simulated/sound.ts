import { RINGS } from '../constants/index.js';
import { ringing } from '../sound/index.js';
import { pitchNow, pullsOf, type SimulatedString, type StringState } from './string-state.js';

/**
 * B of a stiff string, f_n = n f0 √(1 + B n²): π³ E d⁴ / (64 T L²), which is π² EA d² / (16 T L²) for a round core of diameter d. A winding adds mass and hardly any
 * stiffness.
 */
export function inharmonicityOf({ string, scale }: SimulatedString, pull: number): number {
  const diameter = string.core ?? string.gauge;
  return (Math.PI ** 2 * string.stiffness * diameter ** 2) / (16 * pull * scale ** 2);
}

/** What a microphone hears of a pluck, piece by piece: each call gives as many samples as it asks for. Silence where it hangs slack. `chance`: evenly between 0 and 1. */
export function soundOf(
  of: SimulatedString,
  state: StringState,
  sampleRate: number,
  chance: () => number,
): (count: number) => Float32Array {
  const [first, { body }] = [pitchNow(of, state), pullsOf(of, state)];
  if (body === 0) return (count) => new Float32Array(count);
  const { pluckedFrom, pluckedTo } = RINGS;
  const ring = (of.string.thins ? RINGS.polymer : RINGS.steel).value;
  const inharmonicity = Math.min(inharmonicityOf(of, body), RINGS.mostInharmonicity.value);
  return ringing(
    { first, inharmonicity, at: pluckedFrom.value + (pluckedTo.value - pluckedFrom.value) * chance(), ring, sampleRate },
    chance,
  );
}
