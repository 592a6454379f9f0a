import type { Answer, Question } from '@gold-peg/contract/calc';
import { done, refused, type Outcome } from '@gold-peg/craft/outcome';
import { windString, type Core, type Layer } from '@gold-peg/craft/strings';
import { fromMillimetres, kilogramsPerCubicMetre, toMillimetres } from '@gold-peg/craft/units';
import type { Fault } from './fault.js';

export function answerWinding({ core, layers }: Question<'winding'>): Outcome<Answer<'winding'>, Fault> {
  const built = windString(
    {
      shape: core.shape,
      diameter: fromMillimetres(core.diameterMm),
      density: kilogramsPerCubicMetre(core.densityKgPerM3),
      ...fillOf(core),
    },
    layers.map(layerOf),
  );
  if (built.ok) return done({ linearDensityKgPerM: built.value.linearDensity, outerMm: toMillimetres(built.value.outerDiameter) });
  const { problem } = built;
  const where = `layers.${problem.layer}`;
  if (problem.kind === 'ground-away') {
    return refused({
      field: `${where}.groundMm`,
      says: `must be less than the wire of ${toMillimetres(problem.wire)} mm, or nothing is left of it`,
    });
  }
  return refused({
    field: where,
    says: `is impossible: wire or ribbon ${toMillimetres(problem.width)} mm wide cannot close round a seat of ${toMillimetres(problem.seat).toFixed(3)} mm`,
  });
}

const fillOf = ({ fill }: Question<'winding'>['core']): Pick<Core, 'fill'> => (fill === undefined ? {} : { fill });

function layerOf(layer: Question<'winding'>['layers'][number]): Layer {
  const density = kilogramsPerCubicMetre(layer.densityKgPerM3);
  if (layer.type === 'flat')
    return { type: 'flat', thickness: fromMillimetres(layer.thicknessMm), width: fromMillimetres(layer.widthMm), density };
  if (layer.type === 'round') return { type: 'round', wire: fromMillimetres(layer.wireMm), density };
  return { type: 'ground', wire: fromMillimetres(layer.wireMm), ground: fromMillimetres(layer.groundMm), density };
}
