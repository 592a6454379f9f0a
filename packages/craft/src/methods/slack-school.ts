import { CUTTING, HAND } from '../constants/index.js';
import { inOwnWidths, inPostSpacings, liftInTheMiddle, pullBackFret } from '../post/index.js';
import { fromMillimetres, metres, type Metres } from '../units/index.js';

/** The ways in which technicians say how much slack they leave. */
export const SLACK_SCHOOLS = ['pull-back', 'posts', 'fist', 'finger', 'spacer', 'past-post', 'headstock-end', 'turns-first'] as const;
export type SlackSchool = (typeof SLACK_SCHOOLS)[number];

/** Schools in which a hand or an eye judges the slack: a rule and counted wraps need no correction for the person. */
const JUDGED: readonly SlackSchool[] = ['pull-back', 'posts', 'fist', 'finger', 'spacer'];

/** What a person is told to leave of the slack wanted is that over this: what is known of their hand, where a hand judges. */
export const handFactor = (school: SlackSchool, leaves: number): number => (JUDGED.includes(school) ? leaves : 1);

/** A person's own hand, once they have measured it. */
export interface HandMeasures {
  /** Height of the fist that is put under a string. */
  fist: Metres;
  /** Breadth of the first finger. */
  finger: Metres;
  /** Thumb to first finger, held against the post as a spacer. */
  spacer: Metres;
}

export const TYPICAL_HAND: HandMeasures = {
  fist: fromMillimetres(HAND.fist.value),
  finger: fromMillimetres(HAND.finger.value),
  spacer: fromMillimetres(HAND.spacer.value),
};

/** Slack in the words of a school. */
export type SaidSlack =
  | { kind: 'fret'; fret: number }
  | { kind: 'posts'; count: number }
  | { kind: 'fists' | 'fingers' | 'spacers'; count: number }
  | { kind: 'past-post'; length: Metres }
  /** Past the end of the headstock; below zero short of it. */
  | { kind: 'past-end'; length: Metres }
  | { kind: 'wraps'; turns: number }
  /** Stretch alone makes more turns than are wanted. */
  | { kind: 'no-slack' }
  /** The string is pulled straight and locked. */
  | { kind: 'straight' };

interface Said {
  slack: Metres;
  cut: Metres;
  scaleLength: Metres;
  /** Null where a post has no neighbour. */
  postSpacing: Metres | null;
  /** Posts that follow its own, and how far the headstock reaches beyond it; null where there is none. */
  postsBeyond: number;
  postToEnd: Metres | null;
  /** Turns that this slack alone makes round the post, wrapped by hand. */
  handTurns: number;
  straight: boolean;
}

/** Less slack than this no hand leaves on purpose: the string is pulled tight. */
export const TIGHT = fromMillimetres(CUTTING.pulledTight.value);

/**
 * Slack as a school says it. `leaves` is how much of what a person means to leave they really leave, learned from their counted turns: who leaves
 * 1.1 of what they mean is told to leave 1/1.1.
 */
export function saySlack(school: SlackSchool, said: Said, hand: HandMeasures, leaves: number): SaidSlack {
  if (said.straight) return { kind: 'straight' };
  if (said.slack < TIGHT) return { kind: 'no-slack' };
  const slack = metres(said.slack / handFactor(school, leaves));
  const cut = metres(said.cut - said.slack + slack);
  const fret = pullBackFret(slack, said.scaleLength);
  const byFret: SaidSlack = fret === null ? { kind: 'past-post', length: cut } : { kind: 'fret', fret };
  const byEnd: SaidSlack = said.postToEnd === null ? byFret : { kind: 'past-end', length: metres(cut - said.postToEnd) };
  switch (school) {
    case 'pull-back':
      return byFret;
    case 'posts': {
      // a fifth peg has no neighbour to measure by
      if (said.postSpacing === null) return byFret;
      const count = inPostSpacings(cut, said.postSpacing);
      return count > said.postsBeyond ? byEnd : { kind: 'posts', count };
    }
    case 'headstock-end':
      return byEnd;
    case 'fist':
      return { kind: 'fists', count: inOwnWidths(liftInTheMiddle(slack, said.scaleLength), hand.fist) };
    case 'finger':
      return { kind: 'fingers', count: inOwnWidths(slack, hand.finger) };
    case 'spacer':
      return { kind: 'spacers', count: inOwnWidths(slack, hand.spacer) };
    case 'past-post':
      return { kind: 'past-post', length: said.cut };
    case 'turns-first':
      return { kind: 'wraps', turns: said.handTurns };
  }
}
