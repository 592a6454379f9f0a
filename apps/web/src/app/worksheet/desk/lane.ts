import type { Instrument, StringPlace } from '@gold-peg/craft/instrument';
import type { StringProperties } from '@gold-peg/craft/strings';
import { metres, type Metres } from '@gold-peg/craft/units';

/** How a string looks: by texture as well as by colour. */
export type Texture = 'plain' | 'wound' | 'nylon';

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
}

export function lanesOf(instrument: Instrument, strings: readonly (StringProperties | null)[]): Lane[] {
  return instrument.strings.map((place, index) => {
    const string = strings[index] ?? null;
    const [, letter = place.note, octave = ''] = /^(.*?)(-?\d+)$/.exec(place.note) ?? [];
    return { index, number: index + 1, letter, octave, place, string, texture: textureOf(string), gauge: string?.gauge ?? metres(0) };
  });
}

const textureOf = (string: StringProperties | null): Texture =>
  string === null || string.construction === 'plain' ? 'plain' : string.construction === 'wound' ? 'wound' : 'nylon';
