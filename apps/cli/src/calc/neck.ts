import type { Answer, Question } from '@gold-peg/contract/calc';
import { actionChange, reliefChange, type Estimate } from '@gold-peg/craft/neck';
import { done, type Outcome } from '@gold-peg/craft/outcome';
import { fromMillimetres, newtons, toMillimetres } from '@gold-peg/craft/units';
import type { Fault } from './fault.js';

export function answerNeck({ pullChangeN, measured }: Question<'neck'>): Outcome<Answer<'neck'>, Fault> {
  const readings = measured.map((reading) => ({
    pullChange: newtons(reading.pullChangeN),
    reliefChange: fromMillimetres(reading.reliefChangeMm),
  }));
  const relief = reliefChange(newtons(pullChangeN), readings);
  return done({ reliefChangeMm: inMillimetres(relief), action12ChangeMm: inMillimetres(actionChange(relief)) });
}

const inMillimetres = ({ low, likely, high }: Estimate) => ({
  low: toMillimetres(low),
  likely: toMillimetres(likely),
  high: toMillimetres(high),
});
