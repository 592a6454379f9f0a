import { pitchOf, type Instrument } from '@gold-peg/craft/instrument';
import type { NeckReading } from '@gold-peg/craft/neck';
import { stringProperties } from '@gold-peg/craft/strings';
import { tensionFor, totalPull } from '@gold-peg/craft/tension';
import { frequencyOf, fromMillimetres, hertz, newtons, type Hertz, type Metres, type Newtons } from '@gold-peg/craft/units';
import { specOf } from '@gold-peg/craft/worksheet';
import { toInstrument, type Geometry, type PastSetup } from '../register/index.js';

/** Total pull of a set on this instrument; null where a string of it cannot be computed. */
export function pullOf(geometry: Geometry, setup: PastSetup): Newtons | null {
  const instrument = toInstrument(geometry);
  const pulls = setup.strings.flatMap((logged) => {
    const index = logged.string - 1;
    const place = instrument.strings[index];
    const properties = stringProperties(specOf(instrument.family, logged));
    if (place === undefined || !properties.ok) return [];
    return tensionFor(pitchIn(setup, instrument, index), place.scaleLength, properties.value);
  });
  return pulls.length === instrument.strings.length ? totalPull(pulls) : null;
}

/** In the tuning that the setup was made for, and in the instrument's own where none was noted. */
function pitchIn({ tuning }: PastSetup, instrument: Instrument, index: number): Hertz {
  const own = tuning?.notes[index];
  if (tuning !== undefined && own !== undefined)
    return own.frequencyHz === null ? frequencyOf(own.note, hertz(tuning.a4Hz)) : hertz(own.frequencyHz);
  const place = instrument.strings[index];
  return place === undefined ? hertz(Number.NaN) : pitchOf(instrument, place);
}

/** A relief that was measured, and what the strings that were on it then pulled together. */
interface Bowed {
  pull: Newtons;
  relief: Metres;
}

/**
 * How the neck of this instrument gave from one measured relief to the next, as far as the strings of both times are known. A relief taken before the new strings
 * were up is of those before them.
 * @param setups newest first, as a passport has them.
 */
export function neckReadings(geometry: Geometry, setups: readonly PastSetup[]): NeckReading[] {
  const bowed = [...setups].reverse().flatMap((setup, index, oldestFirst): Bowed[] =>
    setup.measurements.flatMap(({ what, valueMm, asItCame }) => {
      const strung = asItCame === true ? oldestFirst[index - 1] : setup;
      const pull = what !== 'relief' || strung === undefined ? null : pullOf(geometry, strung);
      return pull === null ? [] : [{ pull, relief: fromMillimetres(valueMm) }];
    }),
  );
  return bowed.slice(1).flatMap(({ pull, relief }, index) => {
    const before = bowed[index];
    if (before === undefined) return [];
    return [{ pullChange: newtons(pull - before.pull), reliefChange: (relief - before.relief) as Metres }];
  });
}
