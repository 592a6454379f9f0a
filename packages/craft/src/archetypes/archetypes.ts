import { ACOUSTIC_GUITARS } from './acoustic-guitars.js';
import { BASSES } from './basses.js';
import { buildInstrument, type Instrument } from '../instrument/index.js';
import type { Archetype } from './archetype.js';
import { ELECTRIC_GUITARS } from './electric-guitars.js';
import { EXTENDED_GUITARS } from './extended-guitars.js';
import { BANJOS, MANDOLINS, UKULELES } from './small-instruments.js';

export const ARCHETYPES: readonly Archetype[] = [
  ...ACOUSTIC_GUITARS,
  ...ELECTRIC_GUITARS,
  ...EXTENDED_GUITARS,
  ...BASSES,
  ...UKULELES,
  ...MANDOLINS,
  ...BANJOS,
];

export const archetype = (id: string): Archetype | undefined => ARCHETYPES.find((candidate) => candidate.id === id);

/** @throws RangeError for an unknown id. */
export function instrumentOf(id: string): Instrument {
  const found = archetype(id);
  if (found === undefined) throw new RangeError(`no archetype ${id}`);
  return buildInstrument(found.sketch);
}
