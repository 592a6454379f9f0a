import { HEARING } from '../constants/index.js';
import type { Hertz } from '../units/index.js';

/** A string of the instrument, as the ear may meet it. */
export interface Candidate {
  /** Where it is to end up. */
  target: Hertz;
  /** Where it was when it was heard last in this job; null where it was not. */
  last: Hertz | null;
  /** Where it is brought now, if that is not its note. */
  goal?: Hertz | null;
  /** Where it would break: higher it cannot sound, whatever was heard. Null where that is not known. */
  breaks: Hertz | null;
}

/** The string that was plucked, zero-based, and how likely it is that one; and how likely it is the one in hand, and each of them. */
export interface Which {
  string: number;
  probability: number;
  inHand: number;
  each: readonly number[];
}

/**
 * Which string sounds, by Bayes: a string stays where it was heard last, but for the one in hand, whose peg is being turned and which is on its way from there to where it is brought; one that was not heard yet may be anywhere
 * from slack to its note. Null where it can be none of them.
 */
export function whichString(heard: Hertz, strings: readonly Candidate[], inHand: number | null): Which | null {
  const posteriors = strings.map((string, index) => {
    const prior = index === inHand ? HEARING.inHand.value : (1 - HEARING.inHand.value) / Math.max(1, strings.length - 1);
    return prior * density(heard, string, index === inHand);
  });
  const elsewhere = HEARING.elsewhere.value / HEARING.anySound.value;
  const most = Math.max(...posteriors, elsewhere);
  const best = posteriors.indexOf(most);
  const all = posteriors.reduce((sum, each) => sum + each, elsewhere);
  const each = posteriors.map((posterior) => posterior / all);
  return best < 0 ? null : { string: best, probability: most / all, inHand: inHand === null ? 0 : (each[inHand] ?? 0), each };
}

/** Per cent of pitch. A string that was heard is looked for about its place, more widely upwards where its peg is in the hand. */
function density(heard: Hertz, { target, last, goal = null, breaks }: Candidate, inHand: boolean): number {
  if (breaks !== null && heard > breaks) return 0;
  const off = 1200 * Math.log2(heard / target);
  const anywhere = off >= HEARING.slack.value && off <= HEARING.over.value ? 1 / (HEARING.over.value - HEARING.slack.value) : 0;
  if (last === null) return anywhere;
  const spread = inHand ? HEARING.turnedBetween.value : HEARING.strays.value;
  const about = (place: Hertz) => Math.exp(-(((1200 * Math.log2(heard / place)) / spread) ** 2) / 2) / (spread * Math.sqrt(2 * Math.PI));
  const expected = inHand && goal !== null ? (about(last) + about(goal)) / 2 : about(last);
  const strayed = (inHand ? HEARING.turnedFar : HEARING.moved).value;
  return (1 - strayed) * expected + strayed * anywhere;
}
