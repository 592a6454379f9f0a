import { windString } from '../procedure/index.js';
import { liftInTheMiddle, slackForLift, turnsForSlack } from '../post/index.js';
import { fromMillimetres, metres, type Metres } from '../units/index.js';
import { eitherWay } from './draw.js';
import { drawString, type DrawnString, type Kinds } from './drawn-string.js';

/** Less than this is pulled tight, more no hand lifts. */
const [LEAST, MOST] = [fromMillimetres(25), fromMillimetres(120)];
/** How far from what is wanted the string lies that somebody else left, as a share. */
const SHOWN_OFF = 0.45;

/** How much slack to leave, by eye: lifted in the middle, cut beyond the post, or read off a string that somebody else left. */
export interface SlackExercise extends DrawnString {
  wanted: Metres;
  /** What somebody else left, for whoever says its turns. */
  left: Metres;
}

export type SlackAnswer =
  | { way: 'lift'; liftMm: number }
  | { way: 'cut'; cutMm: number }
  /** The turns that what somebody else left would make. */
  | { way: 'say'; turns: number };

export const slackExercise = (chance: () => number, _level: number, kinds: Kinds): SlackExercise =>
  drawString(chance, kinds, (drawn) => {
    const { slack } = drawn.plan;
    if (slack < LEAST || slack > MOST) return null;
    return { ...drawn, wanted: slack, left: metres(slack * (1 + eitherWay(SHOWN_OFF, chance))) };
  });

/** Turns that a slack makes on this post, at pitch. Below zero where it does not reach round. */
export function turnsOf({ plan }: SlackExercise, slack: Metres): number {
  const wind = turnsForSlack(metres(slack - plan.allowance), plan.geometry, plan.stretch);
  return wind.ok ? wind.value.turns : 0;
}

/** The slack that an answer leaves. Null where a cut would not reach the post. */
export function slackLeft(exercise: SlackExercise, answer: SlackAnswer): Metres | null {
  switch (answer.way) {
    case 'lift':
      return slackForLift(fromMillimetres(answer.liftMm), exercise.place.scaleLength);
    case 'cut':
      return windString({ ...exercise, cut: fromMillimetres(answer.cutMm) })?.slack ?? null;
    case 'say':
      return exercise.left;
  }
}

/** What would have been right, in the way of the answer: mm of lift, mm of cut, turns. */
export function rightSlack(exercise: SlackExercise, way: SlackAnswer['way']): number {
  if (way === 'lift') return 1000 * liftInTheMiddle(exercise.wanted, exercise.place.scaleLength);
  return way === 'cut' ? 1000 * exercise.plan.cut : turnsOf(exercise, exercise.left);
}

/** How far off, % of the slack that was wanted; of turns that were said, % of those that it makes. Above zero: too much. */
export function slackOff(exercise: SlackExercise, answer: SlackAnswer): number {
  if (answer.way === 'say') return 100 * (answer.turns / turnsOf(exercise, exercise.left) - 1);
  const left = slackLeft(exercise, answer);
  return left === null ? -100 : 100 * (left / exercise.wanted - 1);
}

/** What somebody has to aim at who is usually off by `bias` %, to come out right, in the way of the answer. */
export function aimFor(exercise: SlackExercise, way: 'lift' | 'cut', bias: number): number {
  const slack = metres(exercise.wanted / (1 + bias / 100));
  return 1000 * (way === 'lift' ? liftInTheMiddle(slack, exercise.place.scaleLength) : exercise.plan.cut - exercise.wanted + slack);
}
