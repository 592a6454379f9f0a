import { handFactor } from '@gold-peg/craft/methods';
import { nutToFret } from '@gold-peg/craft/post';
import type { PostPlan } from '@gold-peg/craft/procedure';
import { metres } from '@gold-peg/craft/units';
import type { Measures } from '../../preferences/measures';
import { ownHand } from '../../preferences/own-hand';
import { SCHOOLS, slackWords } from '../../preferences/slack-words';
import type { Lane } from '../../lane/lane';
import { sayFor } from '../wind-words';
import { longIn, type WhyLine } from './why-line';

/** Why the slack is said as it is, in the school of the person. `leaves` is what is known of their hand. */
export function measureReason(lane: Lane, plan: PostPlan, measures: Measures, leaves: number): WhyLine {
  const long = longIn(measures);
  const said = sayFor(lane, plan, measures, leaves);
  const factor = handFactor(measures.preferences().slackMeasure, leaves);
  const slack = metres(plan.slack / factor);
  const hand = ownHand(measures.preferences());
  const corrected = factor === 1 ? '' : `; you leave ${(100 * leaves).toFixed(0)} % of what you mean, so ${long(slack)} are meant`;
  const from = (): string => {
    switch (said.kind) {
      case 'fret':
        return `−12 log₂(1 − slack / scale of ${long(lane.place.scaleLength, 0)}); fret 1 lies ${long(nutToFret(1, lane.place.scaleLength))} from the nut`;
      case 'posts':
        return `cut beyond its own post over ${long(plan.postSpacing ?? 0)} from post to post`;
      case 'fists':
        return `half of √((scale + slack)² − scale²) is the height of the lift, over a fist of ${long(hand.fist, 0)}`;
      case 'fingers':
        return `slack over a finger of ${long(hand.finger, 0)}`;
      case 'spacers':
        return `slack over a spacer of ${long(hand.spacer, 0)}`;
      case 'past-end':
        return `cut beyond its own post less what the headstock reaches past it, typically ${long(lane.toEnd ?? 0, 0)}`;
      case 'past-post':
        return 'slack and what the end needs';
      case 'wraps':
        return 'turns that this slack makes with no stretch in it';
      case 'no-slack':
        return 'stretch alone makes more turns than are wanted';
      case 'straight':
        return 'pulled straight and locked: nothing is left';
    }
  };
  return {
    what: 'your measure',
    value: slackWords(said, measures),
    rule: SCHOOLS[measures.preferences().slackMeasure].does,
    from: from() + corrected,
  };
}
