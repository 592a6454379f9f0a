import { fromInches, fromMillimetres, toInches, toMillimetres } from '@gold-peg/craft/units';

type Unit = 'mm' | 'in';

/** A length as somebody types it in their own unit, in millimetres; null where it is no number. A comma counts as a point. */
export function typedToMm(typed: string, unit: Unit): number | null {
  const value = Number(typed.trim().replace(',', '.').replace('−', '-'));
  if (typed.trim() === '' || !Number.isFinite(value)) return null;
  return unit === 'mm' ? value : Number(toMillimetres(fromInches(value)).toFixed(4));
}

/** Millimetres as they stand in a field: hundredths of a millimetre, thousandths of an inch. */
export const mmToTyped = (mm: number, unit: Unit): string =>
  unit === 'mm' ? String(Number(mm.toFixed(2))) : toInches(fromMillimetres(mm)).toFixed(3);
