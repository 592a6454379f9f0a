import { requirePositive } from '../outcome/index.js';
import { hertz, newtons, type Hertz, type Metres, type Newtons } from '../units/index.js';
import type { StringProperties } from '../strings/index.js';

/** What decides a pull: the string's mass, and its stretch where it thins. */
export type Stretchable = Pick<StringProperties, 'linearDensity' | 'stiffness' | 'thins'>;

/**
 * Pull that brings a string to `fundamental`. Steel: T = μ(2Lf)², Mersenne's law. A polymer thins as it stretches, μ = μ0/(1 + T/EA), so
 * T = EA(√(1 + 4k/EA) − 1)/2 with k = μ0(2Lf)². Ideal flexible string: stiffness sharpens thick plain strings by a few cents more.
 * @throws RangeError if an argument is not finite and above zero.
 */
export function tensionFor(fundamental: Hertz, speakingLength: Metres, string: Stretchable): Newtons {
  const { linearDensity, stiffness, thins } = string;
  requirePositive({ fundamental, speakingLength, linearDensity, stiffness });
  const k = linearDensity * (2 * speakingLength * fundamental) ** 2;
  return newtons(thins ? (stiffness * (Math.sqrt(1 + (4 * k) / stiffness) - 1)) / 2 : k);
}

/** Inverse of `tensionFor`: the fundamental at which a string pulls `tension`. */
export function fundamentalAt(tension: Newtons, speakingLength: Metres, string: Stretchable): Hertz {
  const { linearDensity, stiffness, thins } = string;
  requirePositive({ tension, speakingLength, linearDensity, stiffness });
  const k = thins ? tension * (1 + tension / stiffness) : tension;
  return hertz(Math.sqrt(k / linearDensity) / (2 * speakingLength));
}
