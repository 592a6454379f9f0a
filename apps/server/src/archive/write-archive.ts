import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import type { DataSource, QueryRunner } from 'typeorm';
import { archivedTables, quoted, type ArchivedTable } from './tables.js';

/** Version of what is written; older ones are upgraded as they are read. */
export const ARCHIVE_VERSION = 6;
/** Rows that are fetched at a time. */
const PAGE = 500;

/** How many rows of each table an archive holds, and the SHA-256 of all of them in their order. */
export interface Contents {
  counts: Readonly<Record<string, number>>;
  sum: string;
}

/** Writes the whole house into a file: one JSON document, a row on each line, as it stood at one moment. Memory stays flat however large it is. */
export async function writeArchive(store: DataSource, file: string, made: Date): Promise<Contents> {
  const tally = new Tally();
  await pipeline(archiveText(store, made, tally), createWriteStream(file, { mode: 0o600 }));
  return tally.contents();
}

/** What the house holds now, as it would be written. */
export async function contentsNow(runner: QueryRunner, tables: readonly ArchivedTable[]): Promise<Contents> {
  const tally = new Tally();
  for (const table of tables) {
    for await (const rows of pagesOf(runner, table)) for (const row of rows) tally.add(table.name, row);
  }
  return tally.contents();
}

/** Counts rows as they go by. */
export class Tally {
  private readonly counts: Record<string, number> = {};
  private readonly hash = createHash('sha256');

  /** The row as one line of text. */
  add(table: string, row: unknown): string {
    const line = JSON.stringify([table, row]);
    this.counts[table] = (this.counts[table] ?? 0) + 1;
    this.hash.update(line);
    return line;
  }

  contents(): Contents {
    return { counts: { ...this.counts }, sum: this.hash.copy().digest('hex') };
  }
}

async function* archiveText(store: DataSource, made: Date, tally: Tally): AsyncGenerator<string> {
  const runner = store.createQueryRunner();
  try {
    await runner.startTransaction('REPEATABLE READ');
    await runner.query(`SET LOCAL TIME ZONE 'UTC'`);
    yield `{"gold-peg":"archive","version":${ARCHIVE_VERSION},"made":${JSON.stringify(made.toISOString())},"rows":[\n`;
    let first = true;
    for (const table of archivedTables(store)) {
      for await (const rows of pagesOf(runner, table)) {
        yield rows.map((row) => `${first ? ((first = false), '') : ',\n'}${tally.add(table.name, row)}`).join('');
      }
    }
    const { counts, sum } = tally.contents();
    yield `\n],"counts":${JSON.stringify(counts)},"sum":"${sum}"}\n`;
  } finally {
    if (runner.isTransactionActive) await runner.rollbackTransaction();
    await runner.release();
  }
}

async function* pagesOf(runner: QueryRunner, { name, columns, key }: ArchivedTable): AsyncGenerator<object[]> {
  await runner.query(
    `DECLARE archived NO SCROLL CURSOR FOR SELECT to_jsonb(t) AS row FROM (SELECT ${quoted(columns)} FROM "${name}" ORDER BY ${quoted(key)}) t`,
  );
  for (;;) {
    const rows = (await runner.query(`FETCH ${PAGE} FROM archived`)) as { row: object }[];
    if (rows.length === 0) break;
    yield rows.map(({ row }) => row);
  }
  await runner.query('CLOSE archived');
}
