import { geometrySchema } from '@gold-peg/contract/register';

/** One row of an archive: its table, and its columns. */
export type ArchivedRow = readonly [table: string, row: Record<string, unknown>];

/**
 * What became of rows from one version to the next, by the version that they come from. 1: what was measured was one word for the whole headstock, and nobody knew of
 * tops and boards. 2: promises did not say how likely they were. 3: everybody worked here, and nobody had a code. 4: nobody
 * practised. 5: nobody was given a sheet.
 */
const UPGRADES: Readonly<Record<number, (row: ArchivedRow) => ArchivedRow>> = {
  1: ([table, row]) => (table === 'instrument' ? [table, { ...row, geometry: geometrySchema.parse(row['geometry']) }] : [table, row]),
  3: ([table, row]) => (table === 'person' ? [table, { ...row, standing: 'works', code_hash: null }] : [table, row]),
  2: ([table, row]) =>
    table === 'job' ? [table, { ...row, promised_chance: null, planned_chance: null, promise_moved: false }] : [table, row],
  5: ([table, row]) => (table === 'practice_try' ? [table, { ...row, sheet_id: null }] : [table, row]),
};

/** A row of an older archive as the present one has it. */
export function upgraded(row: ArchivedRow, from: number, to: number): ArchivedRow {
  let now = row;
  for (let version = from; version < to; version++) now = (UPGRADES[version] ?? ((same) => same))(now);
  return now;
}
