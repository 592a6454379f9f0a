import { ROUNDS } from '../constants/index.js';
import { cents, type Cents } from '../units/index.js';

/** Where a round stands: the string is still tuned, or it was heard at its note and is to be stretched. `at`: when that was, ms. */
export type RoundPhase = { kind: 'tune' } | { kind: 'stretch'; before: Cents; at: number };

export interface RoundStep {
  phase: RoundPhase;
  /** What the round cost that ended with this pluck; null where it ended none. */
  lost: Cents | null;
}

const SECOND_MS = 1000;

/**
 * What a pluck says within a round: tuned to its note, stretched, heard again, without a hand on anything else. A pluck that follows at once asks the same again, and a string that came up
 * was turned and not stretched: neither is a round. `off`: from its note; `at`: ms.
 */
export function heardInRound(phase: RoundPhase, { off, at }: { off: Cents; at: number }, tolerance: Cents): RoundStep {
  const next: RoundPhase = Math.abs(off) <= tolerance ? { kind: 'stretch', before: off, at } : { kind: 'tune' };
  const lost = phase.kind === 'stretch' && at - phase.at >= ROUNDS.atLeast.value * SECOND_MS ? cents(phase.before - off) : null;
  return { phase: next, lost: lost !== null && lost >= -tolerance ? lost : null };
}
