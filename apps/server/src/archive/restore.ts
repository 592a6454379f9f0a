import type { DataSource, EntityManager } from 'typeorm';
import { askForRebuild, rebuildWhereAsked } from '../bench-log/index.js';
import { PersonRow } from '../store/index.js';
import { ArchiveFault, readArchive, type ReadArchive } from './read-archive.js';
import { archivedTables, quoted, type ArchivedTable } from './tables.js';
import type { ArchivedRow } from './upgrades.js';
import { ARCHIVE_VERSION, contentsNow, writeArchive, type Contents } from './write-archive.js';

/**
 * Writes an archive, and reads it again to know that it is whole.
 * @throws ArchiveFault where what was written is not what was meant.
 */
export async function backUp(store: DataSource, file: string, made: Date): Promise<Contents> {
  const written = await writeArchive(store, file, made);
  const read = await readArchive(file, () => Promise.resolve());
  if (read.sum !== written.sum) throw new ArchiveFault('What was written is not what is read again: the disk may be full or broken.');
  return written;
}

/**
 * Fills a house from an archive, in one transaction: all of it, or nothing at all. Everything is compared with the archive before it stands, and what follows from the log is made again afterwards.
 * @param replace whether what is in the house already goes: everybody is signed out then, and links and devices of the bench are forgotten.
 * @throws ArchiveFault where the house is not empty and is not to be replaced, or anything in the archive is wrong.
 */
export async function restore(store: DataSource, file: string, { replace = false } = {}): Promise<Contents> {
  if (!replace && (await store.getRepository(PersonRow).exists()))
    throw new ArchiveFault('There are people in this house already: an archive fills an empty one only, unless it is to replace it.');
  const tables = new Map(archivedTables(store).map((table) => [table.name, table]));
  let contents: Contents = { counts: {}, sum: '' };
  await store.transaction(async (tx) => {
    await tx.query(`SET LOCAL TIME ZONE 'UTC'`);
    await tx.query(`TRUNCATE ${quoted(store.entityMetadatas.map(({ tableName }) => tableName).filter((name) => !STAYS.has(name)))}`);
    const meant = await readArchive(file, (rows) => insertAll(tx, tables, rows));
    await compare(tx, [...tables.values()], meant);
    contents = meant;
    for (const [table, column] of COUNTED)
      await tx.query(
        `SELECT setval(pg_get_serial_sequence('${table}', '${column}'), (SELECT coalesce(max("${column}"), 0) + 1 FROM "${table}"), false)`,
      );
  });
  await askForRebuild(store);
  await rebuildWhereAsked(store);
  return contents;
}

/** What all servers know alike goes on. */
const STAYS = new Set(['secret', 'projection_task']);

/** Numbers that the database counts on. */
const COUNTED = [
  ['instrument', 'passport'],
  ['bench_event', 'seq'],
] as const;

async function insertAll(tx: EntityManager, tables: ReadonlyMap<string, ArchivedTable>, rows: readonly ArchivedRow[]): Promise<void> {
  for (let from = 0; from < rows.length;) {
    const name = rows[from]?.[0] ?? '';
    let until = from;
    while (rows[until]?.[0] === name) until++;
    const table = tables.get(name);
    if (table === undefined) throw new ArchiveFault(`It holds rows of ${name}, which is no table of an archive.`);
    await insertSome(
      tx,
      table,
      rows.slice(from, until).map(([, row]) => row),
    );
    from = until;
  }
}

async function insertSome(tx: EntityManager, { name, columns }: ArchivedTable, rows: readonly Record<string, unknown>[]): Promise<void> {
  for (const row of rows) {
    const [missing, more] = [columns.find((column) => !(column in row)), Object.keys(row).find((column) => !columns.includes(column))];
    if (missing !== undefined) throw new ArchiveFault(`A row of ${name} has no ${missing}.`);
    if (more !== undefined) throw new ArchiveFault(`A row of ${name} has a ${more}, which is no column of it.`);
  }
  const fields = quoted(columns);
  try {
    await tx.query(`INSERT INTO "${name}" (${fields}) SELECT ${fields} FROM jsonb_populate_recordset(NULL::"${name}", $1::jsonb)`, [
      JSON.stringify(rows),
    ]);
  } catch (error) {
    // what the database refuses, such as a row that refers to none, is a fault of the archive; that it is away is not
    const { code = '', message, detail } = error as { code?: string; message: string; detail?: string };
    if (!/^2[23]/.test(code)) throw error;
    throw new ArchiveFault(`A row of ${name} cannot be: ${detail ?? message}`, { cause: error });
  }
}

/** Every row as the archive has it; one of an older version has other words for the same, and is compared by how many there are. */
async function compare(tx: EntityManager, tables: readonly ArchivedTable[], meant: ReadArchive): Promise<void> {
  if (tx.queryRunner === undefined) throw new TypeError('a transaction has a connection');
  const now = await contentsNow(tx.queryRunner, tables);
  for (const { name } of tables) {
    const [has, had] = [now.counts[name] ?? 0, meant.counts[name] ?? 0];
    if (has !== had) throw new ArchiveFault(`There would be ${has} rows of ${name}, and the archive has ${had}.`);
  }
  if (meant.version === ARCHIVE_VERSION && now.sum !== meant.sum)
    throw new ArchiveFault('What was taken in is not what the archive holds, row by row: nothing was kept.');
}
