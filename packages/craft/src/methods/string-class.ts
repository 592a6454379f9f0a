import type { Family, StringProperties } from '../strings/index.js';
import { toMillimetres } from '../units/index.js';
import type { StringClass } from './choices.js';

/** Below this a plain string counts as thin, mm: plain steel trebles. */
const THIN_MM = 0.45;
/** Above this a wound string counts as thick, mm. */
const THICK_MM = 1;
/** The A of a bass is thicker than this and the lowest string thicker than that, mm: between .070 and .075, and between .090 and .095. */
const BASS_A_MM = 1.85;
const BASS_LOW_MM = 2.33;

/** Nylon, fluorocarbon and gut: what the string is made of alone. */
export const isSoftMaterial = (construction: StringProperties['construction'] | undefined): boolean =>
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
    return mm > BASS_LOW_MM ? 'bass-low' : mm > BASS_A_MM ? 'bass-a' : 'bass';
  }
  if (family === 'mandolin') return wound ? 'mandolin-wound' : 'mandolin-plain';
  if (!wound && toMillimetres(gauge) < THIN_MM) return 'thin-plain';
  return wound && toMillimetres(gauge) > THICK_MM ? 'thick-wound' : 'middle';
}
