import { neckReadings } from '@gold-peg/contract/pulls';
import type { Passport } from '@gold-peg/contract/register';
import { reliefChange } from '@gold-peg/craft/neck';
import { newtons, toMillimetres } from '@gold-peg/craft/units';
import type { GeometryFact } from './geometry-facts';

/** A light set against a heavy one changes the pull of all strings by about so much. */
const STEP = newtons(100);

/** How this neck gives to the pull of its strings: typical of necks, or learned from the reliefs that were measured on it. */
export function neckFact(
  { geometry, setups }: Pick<Passport, 'geometry' | 'setups'>,
  length: (mm: number, digits?: number) => string,
): GeometryFact {
  const readings = neckReadings(geometry, setups);
  const { low, likely, high } = reliefChange(STEP, readings);
  const say = (relief: number) => length(toMillimetres(relief as typeof likely), 2);
  const from = readings.length === 0 ? 'typical' : `from ${readings.length} measured`;
  return { label: 'neck', value: `bows ${say(likely)} (${say(low)} to ${say(high)}) for ${STEP} N more, ${from}` };
}
