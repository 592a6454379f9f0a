import { GOOD_WORK } from '../constants/index.js';
import { chanceFrom } from '../simulated/index.js';
import { balanceExercise, balanceOff } from './balance-bridge.js';
import { centsExercise, centsOff } from './cents-by-ear.js';
import { measureOf, type Skill } from '../skills/index.js';
import type { Kinds } from './drawn-string.js';
import { nutExercise, nutIsRight } from './nut-angle.js';
import { nylonExercise, nylonOff } from './nylon.js';
import { faultExercise, faultIsRight } from './fault.js';
import { orderExercise, orderIsRight } from './order.js';
import { octaveExercise, octaveIsRight } from './octave.js';
import { slackExercise, slackOff } from './slack.js';
import { slipExercise, slipIsRight } from './stretch-or-slip.js';
import { whichStringExercise, whichStringIsRight } from './which-string.js';
import { windingExercise, windingIsRight } from './winding-side.js';

/** An exercise of one kind: how it is made new, and how far an answer to it is off. */
interface Kind<Q, A> {
  make: (chance: () => number, level: number, kinds: Kinds) => Q;
  off: (exercise: Q, answer: A) => number;
}

const size = <Q, A>(make: Kind<Q, A>['make'], off: Kind<Q, A>['off']): Kind<Q, A> => ({ make, off });
const choice = <Q, A>(make: Kind<Q, A>['make'], isRight: (exercise: Q, answer: A) => boolean): Kind<Q, A> => ({
  make,
  off: (exercise, answer) => (isRight(exercise, answer) ? 0 : 1),
});

const KINDS = {
  slack: size(slackExercise, slackOff),
  'winding-side': choice(windingExercise, windingIsRight),
  'which-string': choice(whichStringExercise, whichStringIsRight),
  octave: choice(octaveExercise, octaveIsRight),
  cents: size(centsExercise, centsOff),
  'stretch-or-slip': choice(slipExercise, slipIsRight),
  nylon: size(nylonExercise, nylonOff),
  'nut-angle': choice(nutExercise, nutIsRight),
  order: choice(orderExercise, orderIsRight),
  fault: choice(faultExercise, faultIsRight),
  balance: size(balanceExercise, balanceOff),
} as const satisfies Record<Skill, unknown>;

export type ExerciseOf<S extends Skill> = ReturnType<(typeof KINDS)[S]['make']>;
export type AnswerOf<S extends Skill> = Parameters<(typeof KINDS)[S]['off']>[1];

/** How far off an answer was, and whether that is good work. */
export interface Judged {
  /** In the unit of the skill (`GOOD_WORK`): above zero too much. Of a choice 0 where it was right, 1 where it was wrong. */
  off: number;
  good: boolean;
}

/**
 * An exercise made new: the same seed, level and kinds make the same one. `kinds`: of which the instrument is to be, where it is made on one.
 * @throws RangeError where none of these kinds is fit for it.
 */
export const exerciseOf = <S extends Skill>(skill: S, seed: number, level: number, kinds: Kinds = []): ExerciseOf<S> =>
  KINDS[skill].make(chanceFrom(seed), level, kinds) as ExerciseOf<S>;

export function judge<S extends Skill>(skill: S, exercise: ExerciseOf<S>, answer: AnswerOf<S>): Judged {
  const kind = KINDS[skill] as unknown as Kind<ExerciseOf<S>, AnswerOf<S>>;
  const off = kind.off(exercise, answer);
  return { off, good: measureOf(skill) === 'choice' ? off === 0 : Math.abs(off) <= GOOD_WORK[skill].value };
}
