import type { Answer, Question } from '@gold-peg/contract/calc';
import { refused, done, type Outcome } from '@gold-peg/craft/outcome';
import { stringProperties, type StringProblem, type StringSpec } from '@gold-peg/craft/strings';
import { loadString } from '@gold-peg/craft/tension';
import {
  CONCERT_A4,
  frequencyOf,
  fromInches,
  fromMillimetres,
  hertz,
  kilogramsPerMetre,
  toInches,
  toPoundsForce,
} from '@gold-peg/craft/units';
import type { Fault } from './fault.js';

export function answerString(asked: Question<'string'>): Outcome<Answer<'string'>, Fault> {
  const spec: StringSpec = {
    family: asked.family,
    construction: asked.construction,
    gauge: fromInches(asked.gaugeIn),
    ...(asked.wrap === undefined ? {} : { wrap: asked.wrap }),
    ...(asked.coreIn === undefined ? {} : { core: fromInches(asked.coreIn) }),
    ...(asked.linearDensityKgPerM === undefined ? {} : { linearDensity: kilogramsPerMetre(asked.linearDensityKgPerM) }),
  };
  const properties = stringProperties(spec);
  if (!properties.ok) return refused(say(properties.problem, asked.coreIn !== undefined));
  const a4 = asked.a4Hz === undefined ? CONCERT_A4 : hertz(asked.a4Hz);
  const pitch = asked.note === undefined ? hertz(asked.frequencyHz ?? Number.NaN) : frequencyOf(asked.note, a4);
  const load = loadString(properties.value, fromMillimetres(asked.scaleMm), pitch);
  return done({
    linearDensityKgPerM: properties.value.linearDensity,
    pullN: load.pull,
    pullLbf: toPoundsForce(load.pull),
    bandPercent: properties.value.bandPercent,
    breakingLoadN: properties.value.breakingLoad,
    reservePercent: 100 * load.reserve,
    breakingFrequencyHz: load.breakingPitch,
    stiffnessN: properties.value.stiffness,
    strain: load.strain,
  });
}

function say(problem: StringProblem, coreGiven: boolean): Fault {
  const inches = (length: Parameters<typeof toInches>[0]) => `${toInches(length).toFixed(4)} in`;
  switch (problem.kind) {
    case 'core-not-inside':
      return {
        field: coreGiven ? 'coreIn' : 'gaugeIn',
        says: `must leave room for the wrap: the core's seat of ${inches(problem.seat)} is not inside the gauge of ${inches(problem.gauge)}`,
      };
    case 'no-usual-core':
      return {
        field: 'coreIn',
        says: `must be given: the usual core would be ${(100 * problem.share).toFixed(0)} % of a gauge of ${inches(problem.gauge)}, and cores lie between 15 and 75 %`,
      };
    case 'layer-does-not-close':
      return {
        field: 'coreIn',
        says: `must be thicker: wire that fills ${inches(problem.gauge)} cannot close round a seat of ${inches(problem.seat)}`,
      };
  }
}
