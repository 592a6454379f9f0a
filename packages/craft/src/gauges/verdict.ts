import { LEAST_PULL } from '../constants/index.js';
import type { LoadedString } from '../tension/index.js';

/** What a pitch does to a string. */
export type PitchVerdict = 'breaks' | 'past-safe' | 'too-slack' | 'holds';

export function pitchVerdict({ pull, reserve, semitonesToSafe }: Pick<LoadedString, 'pull' | 'reserve' | 'semitonesToSafe'>): PitchVerdict {
  if (reserve <= 0) return 'breaks';
  if (semitonesToSafe < -1e-9) return 'past-safe';
  return pull < LEAST_PULL.value ? 'too-slack' : 'holds';
}
