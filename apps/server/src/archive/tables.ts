import type { DataSource, EntityTarget, ObjectLiteral } from 'typeorm';
import {
  ActRow,
  AttachmentRow,
  BenchEventRow,
  DayRow,
  HouseRow,
  InstrumentRow,
  JobRow,
  MessageRow,
  OwnerRow,
  PersonRow,
  PracticeSheetRow,
  PracticeTryRow,
  StockItemRow,
  StockMovementRow,
  StringEntryRow,
  StringLineRow,
  StringSetRow,
  SupplyOrderRow,
  TuningEntryRow,
} from '../store/index.js';

/** A table that goes into the archive: all that the house knows, and nothing that follows from it. */
export interface ArchivedTable {
  name: string;
  columns: readonly string[];
  /** By which its rows are put in order. */
  key: readonly string[];
}

/** In the order in which they are filled: what others refer to comes first. */
const ARCHIVED: readonly EntityTarget<ObjectLiteral>[] = [
  HouseRow,
  DayRow,
  PersonRow,
  OwnerRow,
  InstrumentRow,
  AttachmentRow,
  JobRow,
  BenchEventRow,
  MessageRow,
  StringLineRow,
  StringEntryRow,
  StringSetRow,
  TuningEntryRow,
  StockItemRow,
  StockMovementRow,
  SupplyOrderRow,
  ActRow,
  PracticeSheetRow,
  PracticeTryRow,
];

/** Columns that follow from the log, and are made again. */
const FOLLOWS: Readonly<Record<string, readonly string[]>> = { instrument: ['due_at'] };

export const archivedTables = (store: DataSource): ArchivedTable[] =>
  ARCHIVED.map((entity) => {
    const { tableName, columns, primaryColumns } = store.getMetadata(entity);
    const kept = columns.filter(({ isInsert, databaseName }) => isInsert && !(FOLLOWS[tableName] ?? []).includes(databaseName));
    return {
      name: tableName,
      columns: kept.map(({ databaseName }) => databaseName),
      key: primaryColumns.map(({ databaseName }) => databaseName),
    };
  });

export const quoted = (names: readonly string[]): string => names.map((name) => `"${name}"`).join(', ');
