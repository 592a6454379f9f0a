import { isDeepStrictEqual } from 'node:util';
import type { DataSource, EntityManager } from 'typeorm';
import type { FileKind, FileProblem, ImportOutcome } from '@gold-peg/contract/files';
import type { FiledRow, ReadFile } from '@gold-peg/contract/sheets';
import type { Handler } from '../handling/index.js';
import { OwnerRow, StringEntryRow, StringLineRow, StringSetRow } from '../store/index.js';
import { fileInstrument, instrumentProblems } from '../register/index.js';
import { misfit, toSetColumns, toStringColumns } from '../strings/index.js';
import { putOnShelf } from '../stock/index.js';
import { filedRows } from './export.js';
import { readApart } from './read-apart.js';

type Rows<K extends FileKind> = { row: number; value: FiledRow[K] }[];

/** Checks a whole file, against itself and against what it refers to, before anything is written; then writes it in one transaction. */
export const importFile: Handler<'importFile'> = async ({ store, now, body }) => {
  const { kind, format, text, write } = body;
  switch (kind) {
    case 'strings':
      return take(store, write, await readApart(kind, format, text), kind, (rows) => stringProblems(store, rows), writeString);
    case 'sets':
      return take(store, write, await readApart(kind, format, text), kind, (rows) => setProblems(store, rows), writeSet);
    case 'stock':
      return take(
        store,
        write,
        await readApart(kind, format, text),
        kind,
        (rows) => stockProblems(store, rows),
        (tx, row) => putOnShelf(tx, row, now),
      );
    case 'instruments':
      return take(
        store,
        write,
        await readApart(kind, format, text),
        kind,
        (rows) => instrumentProblems(store, rows),
        (tx, row) => fileInstrument(tx, row),
      );
    case 'owners':
      return take(store, write, await readApart(kind, format, text), kind, () => Promise.resolve([]), writeOwner);
  }
};

async function take<K extends FileKind>(
  store: DataSource,
  write: boolean,
  file: ReadFile<K>,
  kind: K,
  check: (rows: Rows<K>) => Promise<FileProblem[]>,
  put: (tx: EntityManager, row: FiledRow[K]) => Promise<unknown>,
): Promise<ImportOutcome> {
  const problems = file.problems.length > 0 ? file.problems : await check(file.rows);
  if (problems.length > 0) return { rows: 0, added: 0, changed: 0, same: 0, written: false, problems };
  const before = new Map((await filedRows(store, kind)).map((row) => [keyOf(row), row]));
  const values = file.rows.map(({ value }) => value);
  const added = values.filter((value) => !before.has(keyOf(value)));
  const changed = values.filter((value) => before.has(keyOf(value)) && !isDeepStrictEqual(before.get(keyOf(value)), value));
  if (write) {
    await store.transaction(async (tx) => {
      for (const row of [...added, ...changed]) await put(tx, row);
    });
  }
  const same = values.length - added.length - changed.length;
  return { rows: values.length, added: added.length, changed: changed.length, same, written: write, problems: [] };
}

const keyOf = (row: { id: string; kind?: string }) => `${row.kind ?? ''} ${row.id}`;

async function writeString(tx: EntityManager, { lineName, ...row }: FiledRow['strings']): Promise<void> {
  await tx.upsert(StringLineRow, { id: row.lineId, name: lineName, family: row.family }, ['id']);
  const before = await tx.findOneBy(StringEntryRow, { id: row.id });
  await tx.save(StringEntryRow, { ...toStringColumns(row), version: (before?.version ?? 0) + 1 });
}

async function writeOwner(tx: EntityManager, row: FiledRow['owners']): Promise<void> {
  const before = await tx.findOneBy(OwnerRow, { id: row.id });
  await tx.save(OwnerRow, { ...row, version: (before?.version ?? 0) + 1 });
}

async function writeSet(tx: EntityManager, row: FiledRow['sets']): Promise<void> {
  const before = await tx.findOneBy(StringSetRow, { id: row.id });
  await tx.save(StringSetRow, { ...toSetColumns(row), version: (before?.version ?? 0) + 1 });
}

/** A line has one name and one family, in the file and in the house. */
async function stringProblems(store: DataSource, rows: Rows<'strings'>): Promise<FileProblem[]> {
  const families = new Map((await store.getRepository(StringLineRow).find()).map(({ id, family }) => [id, family]));
  const names = new Map<string, string>();
  return rows.flatMap(({ row, value: { lineId, lineName, family } }) => {
    const name = names.get(lineId) ?? lineName;
    const known = families.get(lineId) ?? family;
    names.set(lineId, name);
    families.set(lineId, known);
    return [
      ...(name === lineName ? [] : [{ row, column: 'line_name', says: `must be the same for all strings of ${lineId}: it was ${name}` }]),
      ...(known === family ? [] : [{ row, column: 'family', says: `must be ${known}: the line ${lineId} is for that family` }]),
    ];
  });
}

async function setProblems(store: DataSource, rows: Rows<'sets'>): Promise<FileProblem[]> {
  const lines = await idsOf(store, StringLineRow);
  const entries = await store.getRepository(StringEntryRow).find({ select: { id: true, family: true } });
  const families = new Map(entries.map(({ id, family }) => [id, family]));
  return rows.flatMap(({ row, value }) => [
    ...value.stringIds
      .filter((id) => families.get(id) !== value.family)
      .map((id) => ({ row, column: 'strings', says: misfit(id, families.get(id), value.family) })),
    ...(value.lineId === null || lines.has(value.lineId)
      ? []
      : [{ row, column: 'line', says: `must be a line of the table: ${value.lineId} is not one` }]),
  ]);
}

async function stockProblems(store: DataSource, rows: Rows<'stock'>): Promise<FileProblem[]> {
  const known = { set: await idsOf(store, StringSetRow), string: await idsOf(store, StringEntryRow) };
  return rows.flatMap(({ row, value: { kind, id } }) =>
    known[kind].has(id) ? [] : [{ row, column: 'id', says: `must be a ${kind} of the table: ${id} is not one` }],
  );
}

async function idsOf(store: DataSource, entity: typeof StringEntryRow | typeof StringSetRow | typeof StringLineRow): Promise<Set<string>> {
  const rows = await store.getRepository<{ id: string }>(entity).find({ select: { id: true } });
  return new Set(rows.map(({ id }) => id));
}
