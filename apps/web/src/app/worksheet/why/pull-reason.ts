import type { Instrument } from '@gold-peg/craft/instrument';
import type { StringProperties } from '@gold-peg/craft/strings';
import type { LoadedString } from '@gold-peg/craft/tension';
import type { Lane } from '../../lane/lane';
import type { SayLong, WhyLine } from './why-line';

export function pullReason(
  { pull }: LoadedString,
  { place }: Lane,
  string: StringProperties,
  instrument: Instrument,
  long: SayLong,
): WhyLine {
  return {
    what: 'pull',
    value: `${pull.toFixed(1)} N`,
    rule: `T = μ (2 L f)²${string.thins ? ', less what it thins as it stretches' : ''}`,
    from: `μ ${(string.linearDensity * 1000).toFixed(3)} g/m ± ${string.bandPercent} %, L ${long(place.scaleLength, 0)}, ${place.note} at A = ${instrument.a4} Hz`,
  };
}
