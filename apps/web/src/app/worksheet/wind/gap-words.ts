import type { PracticeGap } from '@gold-peg/craft/procedure';
import { metres, type Metres } from '@gold-peg/craft/units';

/** That practice and the post as it is noted do not agree, and what to measure. */
export function sayGap({ practice, made }: PracticeGap, length: (value: Metres) => string): string {
  const usual =
    practice.kind === 'fret'
      ? `Practice pulls back to ${practice.from === practice.to ? `fret ${practice.from}` : `fret ${practice.from} to ${practice.to}`}`
      : `Practice leaves ${length(practice.from)} to ${length(practice.to)} past the post`;
  const here = practice.kind === 'fret' ? `fret ${made.toFixed(1)}` : length(metres(made));
  return `${usual}, this post makes ${here}: measure its diameter where the string lies.`;
}
