import type { DataSource, EntityManager } from 'typeorm';
import { LINES, SETS, STRINGS } from '@gold-peg/craft/strings';
import { TUNINGS } from '@gold-peg/craft/tuning';
import { StringEntryRow, StringLineRow, StringSetRow, TuningEntryRow } from '../store/index.js';
import { setColumnsOf, stringColumnsOf } from './rows.js';

/** Puts what every house begins with into its tables. What is there already, and was perhaps weighed or renamed, is left as it is. */
export function fillTables(store: DataSource): Promise<void> {
  return store.transaction(async (tx) => {
    await addMissing(tx, StringLineRow, LINES);
    await addMissing(
      tx,
      StringEntryRow,
      STRINGS.map((string) => ({ ...stringColumnsOf(string), version: 1 })),
    );
    await addMissing(
      tx,
      StringSetRow,
      SETS.map((set) => ({ ...setColumnsOf(set), version: 1 })),
    );
    await addMissing(
      tx,
      TuningEntryRow,
      TUNINGS.map(({ families, notes, ...rest }) => ({ ...rest, families: [...families], notes: [...notes] })),
    );
  });
}

async function addMissing<Row extends object>(tx: EntityManager, entity: new () => Row, rows: readonly object[]): Promise<void> {
  await tx
    .createQueryBuilder()
    .insert()
    .into(entity)
    .values(rows as never)
    .orIgnore()
    .execute();
}
