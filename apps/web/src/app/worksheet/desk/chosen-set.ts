import { stringProperties, type StringProperties, type StringSet, type StringSpec } from '@gold-peg/craft/strings';
import type { Tuned } from '@gold-peg/craft/tuning';
import type { LoggedTuning, SetChosen } from '@gold-peg/craft/worksheet';

/** What a string is known to be; null where it cannot be made as its card says. */
export function computable(spec: StringSpec): StringProperties | null {
  const properties = stringProperties(spec);
  return properties.ok ? properties.value : null;
}

/** A tuning as the log keeps it. */
export const logTuning = ({ a4, notes }: Tuned): LoggedTuning => ({
  a4Hz: a4,
  notes: notes.map(({ note, frequency }) => ({ note, frequencyHz: frequency })),
});

/** Whether every string chosen is that of the set it names. */
export function isSetOf({ setId, strings }: SetChosen, sets: readonly StringSet[]): boolean {
  if (strings.some(({ stringId }) => stringId === undefined)) return true;
  const set = sets.find(({ id }) => id === setId);
  return set?.strings.length === strings.length && strings.every(({ stringId }, index) => stringId === set.strings[index]?.id);
}
