import type { Answer, Question } from '@gold-peg/contract/calc';
import { done, refused, type Outcome } from '@gold-peg/craft/outcome';
import { cutBeyondPost, pullBackFret, slackForCut, slackForTurns, turnsForSlack, type End, type PostAndString } from '@gold-peg/craft/post';
import { fromMillimetres, toMillimetres } from '@gold-peg/craft/units';
import type { Fault } from './fault.js';

export function answerSlack(asked: Question<'slack'>): Outcome<Answer<'slack'>, Fault> {
  const mm = fromMillimetres;
  const geometry: PostAndString = {
    postDiameter: mm(asked.postDiameterMm),
    stringDiameter: mm(asked.stringDiameterMm),
    nutToPost: mm(asked.nutToPostMm),
  };
  const stretch = { path: mm(asked.pathMm), strain: asked.strain, creep: asked.creep };
  const end: End =
    asked.postStyle === 'slotted'
      ? { kind: 'slotted', holeDepth: mm(asked.holeDepthMm ?? Number.NaN) }
      : { kind: 'through', postDiameter: geometry.postDiameter, tail: mm(asked.stubMm) };
  const slack = asked.cutBeyondPostMm === undefined ? mm(asked.slackMm ?? Number.NaN) : slackForCut(mm(asked.cutBeyondPostMm), end);
  const outcome = asked.turns === undefined ? turnsForSlack(slack, geometry, stretch) : slackForTurns(asked.turns, geometry, stretch);
  if (!outcome.ok) {
    const field = asked.turns !== undefined ? 'turns' : asked.slackMm !== undefined ? 'slackMm' : 'cutBeyondPostMm';
    return refused({
      field,
      says: `must be more: the string would be ${toMillimetres(outcome.problem.missing).toFixed(2)} mm too short to reach the post`,
    });
  }
  const { value } = outcome;
  return done({
    slackMm: toMillimetres(value.slack),
    turns: value.turns,
    rotationTurns: value.rotationTurns,
    stretchMm: toMillimetres(value.stretch),
    cutBeyondPostMm: toMillimetres(cutBeyondPost(value.slack, end)),
    fret: asked.scaleMm === undefined ? null : pullBackFret(value.slack, mm(asked.scaleMm)),
  });
}
