import type { PostPlan, WindPlan } from '../procedure/index.js';
import { toDegrees, toMillimetres } from '../units/index.js';
import type { CountedPayload, WoundPayload } from './events.js';

/** What the log keeps of a plan that was carried out. */
export const woundAsPlanned = (plan: WindPlan): WoundPayload => ({
  turns: plan.kind === 'post' ? plan.wind.turns : 0,
  slackMm: toMillimetres(plan.slack),
  cutBeyondPostMm: toMillimetres(plan.cut),
  nutDeg: plan.kind === 'post' && plan.nut !== null ? toDegrees(plan.nut.vertical) : null,
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
