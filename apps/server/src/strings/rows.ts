import { fromSet, fromTableString, type SetRow, type StoredSet, type StoredString, type StringRow } from '@gold-peg/contract/strings';
import type { StringSet, TableString } from '@gold-peg/craft/strings';
import type { StringEntryRow, StringSetRow } from '../store/index.js';

type StringColumns = Omit<StringEntryRow, 'line' | 'version'>;
type SetColumns = Omit<StringSetRow, 'line' | 'version'>;

export const toStringColumns = ({ weighed, ...row }: StringRow): StringColumns => ({
  ...row,
  weighedMassG: weighed?.massG ?? null,
  weighedLengthMm: weighed?.lengthMm ?? null,
});

export const toStoredString = ({ weighedMassG, weighedLengthMm, ...row }: StringEntryRow): StoredString => ({
  ...row,
  weighed: weighedMassG === null || weighedLengthMm === null ? null : { massG: weighedMassG, lengthMm: weighedLengthMm },
});

export const toSetColumns = (row: SetRow): SetColumns => ({ ...row });
export const toStoredSet = ({ id, lineId, name, family, stringIds, version }: StringSetRow): StoredSet => ({
  id,
  lineId,
  name,
  family,
  stringIds,
  version,
});

export const stringColumnsOf = (string: TableString): StringColumns => toStringColumns(fromTableString(string));
export const setColumnsOf = (set: StringSet): SetColumns => toSetColumns(fromSet(set));
