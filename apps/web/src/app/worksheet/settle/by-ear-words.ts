import type { RoundPhase } from '@gold-peg/craft/settle';

/** What the hand does next, where rounds are noted by ear. `off`: where the string was heard last, cents from its note. */
export function sayRound(phase: RoundPhase, { number, off, tolerance }: { number: number; off: number | null; tolerance: number }): string {
  if (phase.kind === 'stretch') return `It is at its note: stretch string ${number}, then pluck it.`;
  if (off === null) return `Pluck string ${number}: the round begins once it is heard at its note.`;
  if (off > tolerance) return 'It is sharp: stretch it down and pluck again, never slacken to pitch.';
  return `Tune string ${number} up to its note, from below, and pluck it.`;
}
