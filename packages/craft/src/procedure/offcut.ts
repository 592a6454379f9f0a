import { LENGTH_AS_SOLD } from '../constants/index.js';
import type { StringProperties } from '../strings/index.js';
import type { Family } from '../string-kinds/index.js';
import { fromMillimetres, metres, type Metres } from '../units/index.js';

/** What is left of a string as sold. Weighed, it tells the string's mass: kilograms. */
export interface Offcut {
  length: Metres;
  mass: number;
}

/** Offcut beyond the cut mark; null where the string as sold would not reach it. `toPost` is all string from anchor to post. */
export function offcutOf(family: Family, string: Pick<StringProperties, 'linearDensity'>, toPost: Metres, cut: Metres): Offcut | null {
  const length = metres(fromMillimetres(LENGTH_AS_SOLD[family].value) - toPost - cut);
  return length <= 0 ? null : { length, mass: length * string.linearDensity };
}
