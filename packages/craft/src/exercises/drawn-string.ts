import { ARCHETYPES, instrumentOf, type Archetype } from '../archetypes/index.js';
import type { Instrument, StringPlace } from '../instrument/index.js';
import { windString, type PostPlan } from '../procedure/index.js';
import { madeOf, setsFor, type StringProperties } from '../strings/index.js';
import { pickFrom } from './draw.js';

/** A string that goes round a post of an instrument of some kind: what most exercises are made on. */
export interface DrawnString {
  /** Of the archetype. */
  kind: string;
  name: string;
  instrument: Instrument;
  index: number;
  place: StringPlace;
  string: StringProperties;
  plan: PostPlan;
}

/** Kinds by the ids of their archetypes, as an exercise is to be on them; all there are where none is named. */
export type Kinds = readonly string[];

export const archetypesOf = (kinds: Kinds): readonly Archetype[] =>
  kinds.length === 0 ? ARCHETYPES : ARCHETYPES.filter(({ id }) => kinds.includes(id));

/** Tries until one is fit: a few in a hundred draws are enough for any exercise there is. */
const MOST_DRAWS = 2000;
const NONE_FITS = 'no string of these instruments is fit for this exercise';

/**
 * Draws strings of instruments of those kinds until one is `fit`.
 * @throws RangeError where none is: the exercise asks for what none of them has.
 */
export function drawString<T>(chance: () => number, kinds: Kinds, fit: (drawn: DrawnString) => T | null): T {
  for (let draw = 0; draw < MOST_DRAWS; draw++) {
    const drawn = anyString(chance, kinds);
    const found = drawn === null ? null : fit(drawn);
    if (found !== null) return found;
  }
  throw new RangeError(NONE_FITS);
}

function anyString(chance: () => number, kinds: Kinds): DrawnString | null {
  const { id, name } = pickFrom(archetypesOf(kinds), chance, NONE_FITS);
  const instrument = instrumentOf(id);
  const set = pickFrom(setsFor(instrument.family, instrument.strings.length), chance);
  const [index, place] = pickFrom([...instrument.strings.entries()], chance);
  const string = madeOf(set)[index] as StringProperties;
  const plan = windString({ instrument, index, string });
  return plan?.kind === 'post' ? { kind: id, name, instrument, index, place, string, plan } : null;
}
