import type { Passport } from '@gold-peg/contract/register';
import { fromMillimetres, type Metres } from '@gold-peg/craft/units';
import type { Measured, Worksheet } from '@gold-peg/craft/worksheet';

/** What was measured string by string, as it was measured last, in this job or an earlier one; null where it never was. */
export function measuredOfStrings(
  what: Measured['what'],
  { geometry, setups }: Pick<Passport, 'geometry' | 'setups'>,
  sheet: Worksheet,
): (Metres | null)[] {
  const now: Measured[] = sheet.measurements.map(({ payload }) => payload);
  const latestFirst = [now, ...setups.map(({ measurements }) => measurements)].flatMap((oldestFirst) => [...oldestFirst].reverse());
  return geometry.strings.map((_, index) => {
    const found = latestFirst.find((each) => each.what === what && each.string === index + 1);
    return found === undefined ? null : fromMillimetres(found.valueMm);
  });
}
