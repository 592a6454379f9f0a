import { endsFor } from '../instrument/index.js';
import { stringProperties, type StringProperties, type TableString } from '../strings/index.js';
import type { Strung } from '../tuning/index.js';
import { seatString, type SeatedString } from './comparison.js';
import { pitchVerdict } from './verdict.js';

/** Strings that no hand could tell apart: the same make-up, gauge and mass, whatever line they are from. */
export interface StringClass {
  key: string;
  string: StringProperties;
  members: TableString[];
}

export const classKey = ({ construction, gauge, wrap, finish, coreShape, core, silk, linearDensity }: TableString): string =>
  [construction, gauge.toFixed(7), wrap, finish ?? 'round', coreShape, core, silk, linearDensity?.toPrecision(9)].join('|');

/** The table by class, for instruments of this family and this way of holding the string. */
export function classesFor({ family, anchor }: Strung, table: readonly TableString[]): StringClass[] {
  const ends = endsFor(anchor);
  const classes = new Map<string, StringClass>();
  for (const string of table) {
    if (string.family !== family || !ends.includes(string.end)) continue;
    const key = classKey(string);
    const known = classes.get(key);
    if (known !== undefined) known.members.push(string);
    else {
      const properties = stringProperties(string);
      if (properties.ok) classes.set(key, { key, string: properties.value, members: [string] });
    }
  }
  return [...classes.values()];
}

/** A class in a seat: what can stand there without breaking, and without hanging slack. */
export interface Option extends SeatedString {
  class: StringClass;
}

export function optionsFor(strung: Strung, classes: readonly StringClass[], wound: readonly (boolean | null)[]): Option[][] {
  return strung.seats.map((seat, index) => {
    const kind = wound[index] ?? null;
    return classes
      .filter(({ string }) => kind === null || (string.construction === 'wound') === kind)
      .map((each) => ({ class: each, ...seatString(each.string, seat) }))
      .filter(({ load }) => pitchVerdict(load) === 'holds');
  });
}
