import { blockLoad } from '@gold-peg/craft/balance';
import { pitchOf, type Instrument } from '@gold-peg/craft/instrument';
import type { StringProperties } from '@gold-peg/craft/strings';
import { tensionFor, totalPull } from '@gold-peg/craft/tension';
import type { Newtons } from '@gold-peg/craft/units';

/** What a block bears once these strings are off, with its band; '' where one of them is not known. `say`: a pull in the units of the person. */
export function sayBlock(instrument: Instrument, strings: readonly (StringProperties | null)[], say: (pull: Newtons) => string): string {
  const pulls = instrument.strings.flatMap((place, index) => {
    const string = strings[index] ?? null;
    return string === null ? [] : [tensionFor(pitchOf(instrument, place), place.scaleLength, string)];
  });
  if (pulls.length === 0 || pulls.length < instrument.strings.length) return '';
  const { low, likely, high } = blockLoad(totalPull(pulls));
  return `with all strings off it bears about ${say(likely)} (${say(low)} to ${say(high)})`;
}
