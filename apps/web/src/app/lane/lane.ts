import { postsBeyond, postToEnd, type Instrument, type StringPlace } from '@gold-peg/craft/instrument';
import type { StringProperties } from '@gold-peg/craft/strings';
import { metres, type Metres } from '@gold-peg/craft/units';
import { splitNote, textureOf, type Texture } from '../ui/string-face';

/** One string of the worksheet, in the same place at every stage. */
export interface Lane {
  index: number;
  number: number;
  letter: string;
  octave: string;
  place: StringPlace;
  string: StringProperties | null;
  texture: Texture;
  gauge: Metres;
  /** Posts that follow its own on its side, and how far the headstock reaches past it; null where there is none. */
  postsBeyond: number;
  toEnd: Metres | null;
}

export function lanesOf(instrument: Instrument, strings: readonly (StringProperties | null)[]): Lane[] {
  return instrument.strings.map((place, index) => {
    const string = strings[index] ?? null;
    return {
      index,
      number: index + 1,
      ...splitNote(place.note),
      place,
      string,
      texture: textureOf(string?.construction),
      gauge: string?.gauge ?? metres(0),
      postsBeyond: postsBeyond(instrument, index),
      toEnd: postToEnd(instrument, index),
    };
  });
}
