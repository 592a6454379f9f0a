import type { PostPlan, WindPlan } from '../procedure/index.js';
import { toDegrees, toMillimetres } from '../units/index.js';
import type { CountedPayload, WoundPayload } from './events.js';

/** What the log keeps of a plan that was carried out. */
export const woundAsPlanned = (plan: WindPlan): WoundPayload => ({
  // in a lock it is the post that turns: what lies on it is less than a turn
  turns: plan.kind === 'post' ? (plan.methods.turns === null ? plan.wind.rotationTurns : plan.wind.turns) : 0,
  slackMm: toMillimetres(plan.slack),
  cutBeyondPostMm: toMillimetres(plan.cut),
  nutDeg: plan.kind === 'post' && plan.nut !== null ? toDegrees(plan.nut.vertical) : null,
});

/** What turns on a post come to: the slack that was left, and the break over the nut. */
export const lies = ({ slack, nut }: PostPlan): NonNullable<CountedPayload['lies']> => ({
  slackMm: toMillimetres(slack),
  nutDeg: nut === null ? null : toDegrees(nut.vertical),
});

/** Turns that were counted, with what the plan took for granted. `slack` is what was meant to be left, `postDiameter` what is noted of the post. */
export const countedAgainst = (plan: PostPlan, turns: number, slackMm: number, postDiameterMm: number): CountedPayload => ({
  turns,
  slackMm: slackMm - toMillimetres(plan.allowance),
  stretchMm: toMillimetres(plan.stretched),
  postDiameterMm,
  stringDiameterMm: toMillimetres(plan.geometry.stringDiameter),
  nutToPostMm: toMillimetres(plan.geometry.nutToPost),
});
