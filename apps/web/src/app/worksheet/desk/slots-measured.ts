import type { Passport } from '@gold-peg/contract/register';
import { fromMillimetres, type Metres } from '@gold-peg/craft/units';
import type { Measured, Worksheet } from '@gold-peg/craft/worksheet';

/** Width of each nut slot as it was measured last; null where it never was. */
export function slotsMeasured({ geometry, setups }: Pick<Passport, 'geometry' | 'setups'>, sheet: Worksheet): (Metres | null)[] {
  const now: Measured[] = sheet.measurements.map(({ payload }) => payload);
  const latestFirst = [...now, ...setups.flatMap(({ measurements }) => measurements)];
  return geometry.strings.map((_, index) => {
    const found = latestFirst.find(({ what, string }) => what === 'slot-width' && string === index + 1);
    return found === undefined ? null : fromMillimetres(found.valueMm);
  });
}
