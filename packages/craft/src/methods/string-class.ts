import { KINDS_OF_STRING } from '../constants/index.js';
import type { StringProperties } from '../strings/index.js';
import type { Family } from '../string-kinds/index.js';
import { toMillimetres } from '../units/index.js';
import type { StringClass } from './choices.js';

/** Nylon, fluorocarbon and gut: what the string is made of alone. */
const isSoftMaterial = (construction: StringProperties['construction'] | undefined): boolean =>
  construction === 'nylon' || construction === 'fluorocarbon' || construction === 'gut';

/** Nylon, fluorocarbon and gut, and basses on floss: they are tied, and stretch for a day. */
export const isSoft = ({ construction, creep }: Pick<StringProperties, 'construction' | 'creep'>): boolean =>
  isSoftMaterial(construction) || creep > 0;

export function stringClass(family: Family, string: StringProperties): StringClass {
  const { construction, gauge } = string;
  const wound = construction === 'wound';
  if (isSoft(string)) return wound ? 'soft-wound' : 'soft-plain';
  if (family === 'bass') {
    const mm = toMillimetres(gauge);
    return mm > KINDS_OF_STRING.bassLowAbove.value ? 'bass-low' : mm > KINDS_OF_STRING.bassAAbove.value ? 'bass-a' : 'bass';
  }
  if (family === 'mandolin') return wound ? 'mandolin-wound' : 'mandolin-plain';
  if (!wound && toMillimetres(gauge) < KINDS_OF_STRING.thinPlainBelow.value) return 'thin-plain';
  return wound && toMillimetres(gauge) > KINDS_OF_STRING.thickWoundAbove.value ? 'thick-wound' : 'middle';
}
