import { done, refused, type Outcome } from '../outcome/index.js';
import { metres, radians, type Metres } from '../units/index.js';
import { rotationFor, takeUp, windingCircle, type PostAndString } from './take-up.js';

/** What stretches: all string from anchor to post, by its strain at pitch and what it creeps until it holds. */
export interface Stretch {
  path: Metres;
  strain: number;
  creep: number;
}

export interface Wind {
  /** Turns lying on the post. Below zero: the string does not reach round to the post yet, by that much of a turn. */
  turns: number;
  /** String left between nut and post before winding. Below zero: stretch alone makes more turns than were asked for. */
  slack: Metres;
  /** Turns of the post from the straight string to pitch. */
  rotationTurns: number;
  /** Length that arrives at the post by stretching. */
  stretch: Metres;
}

export type SlackProblem = { kind: 'less-than-straight'; missing: Metres };

/** l ln(1 + ε + creep): each piece that passes the nut was itself stretched. */
export const stretchAtPost = ({ path, strain, creep }: Stretch): Metres => metres(path * Math.log(1 + strain + creep));

/** The rule for slack: what the post takes up for `turns` is slack plus stretch, so slack is the take-up less the stretch. */
export function slackForTurns(turns: number, geometry: PostAndString, stretch: Stretch): Outcome<Wind, SlackProblem> {
  const { tangentAngle } = windingCircle(geometry);
  const rotation = 2 * Math.PI * turns + tangentAngle;
  if (rotation < 0) return refused({ kind: 'less-than-straight', missing: metres((-rotation / (2 * Math.PI)) * geometry.postDiameter) });
  const arrives = stretchAtPost(stretch);
  const slack = metres(takeUp(radians(rotation), geometry) - arrives);
  return done({ turns, slack, rotationTurns: rotation / (2 * Math.PI), stretch: arrives });
}

/** Inverse of `slackForTurns`. */
export function turnsForSlack(slack: Metres, geometry: PostAndString, stretch: Stretch): Outcome<Wind, SlackProblem> {
  const { tangentAngle } = windingCircle(geometry);
  const arrives = stretchAtPost(stretch);
  const length = slack + arrives;
  if (length < 0) return refused({ kind: 'less-than-straight', missing: metres(-length) });
  const rotation = rotationFor(metres(length), geometry);
  return done({ turns: (rotation - tangentAngle) / (2 * Math.PI), slack, rotationTurns: rotation / (2 * Math.PI), stretch: arrives });
}

/** Rule of thumb shown beside the exact value, good to 0.2 turn: slack ≈ turns · π(D + d). */
export const ruleOfThumbSlack = (turns: number, { postDiameter, stringDiameter }: PostAndString): Metres =>
  metres(turns * Math.PI * (postDiameter + stringDiameter));

/** Turns to wrap slack string round the post by hand before its end goes through: what this slack makes with no stretch in it, none below zero. */
export function wrapsForSlack(slack: Metres, geometry: PostAndString): number {
  const wrapped = turnsForSlack(slack, geometry, { path: metres(1), strain: 0, creep: 0 });
  return wrapped.ok ? Math.max(0, wrapped.value.turns) : 0;
}
