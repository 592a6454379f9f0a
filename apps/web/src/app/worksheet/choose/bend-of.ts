import { stretchingPath, type Instrument } from '@gold-peg/craft/instrument';
import type { StringProperties } from '@gold-peg/craft/strings';
import { bendFor, SEMITONE, type Bend } from '@gold-peg/craft/tension';
import { frequencyOf } from '@gold-peg/craft/units';
import type { Lane } from '../desk/lane';

/** A semitone's bend of this string in this lane; null where it cannot be bent so far. */
export function bendOf(instrument: Instrument, { place }: Lane, string: StringProperties): Bend | null {
  const pitch = frequencyOf(place.note, instrument.a4);
  const outcome = bendFor(SEMITONE, { string, speakingLength: place.scaleLength, path: stretchingPath(instrument, place), pitch });
  return outcome.kind === 'bend' ? outcome.bend : null;
}
