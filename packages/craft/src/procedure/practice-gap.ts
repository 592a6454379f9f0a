import type { StringPlace } from '../instrument/index.js';
import { practiceOf, type Practice } from '../methods/index.js';
import { pullBackFret } from '../post/index.js';
import type { Family } from '../string-kinds/index.js';
import type { PostPlan } from './wind-plan.js';

/** The rule of practitioners and the geometry of the post do not agree. */
export interface PracticeGap {
  practice: Practice;
  /** What the post as it is noted makes of the same turns: a fret, or metres past the post. */
  made: number;
}

/** What may lie between them: the post is seldom measured, and practice rounds. */
const A_THIRD = 4 / 3;

/**
 * Where the usual turns come out at over a third more or less slack than practice leaves, the post is not so thick as it is noted: null where they agree, or where
 * somebody's own turns, or the nut, decided.
 */
export function practiceGap(plan: PostPlan, place: StringPlace, family: Family): PracticeGap | null {
  const { methods, rule, slack, cut } = plan;
  if (rule.kind !== 'house' || methods.turnsFrom !== 'built-in') return null;
  const { stringClass } = methods;
  const practice = practiceOf({ family, style: place.post.style, stringClass, scaleLength: place.scaleLength });
  const made = practice?.kind === 'fret' ? pullBackFret(slack, place.scaleLength) : cut;
  if (practice === null || made === null) return null;
  return made > practice.to * A_THIRD || made < practice.from / A_THIRD ? { practice, made } : null;
}
