import { createReadStream } from 'node:fs';
import { JSONParser } from '@streamparser/json';
import { Tally, ARCHIVE_VERSION, type Contents } from './write-archive.js';
import { upgraded, type ArchivedRow } from './upgrades.js';

/** An archive that cannot be taken, with why. */
export class ArchiveFault extends Error {}

/** What an archive held, and the version that it was written in. */
export interface ReadArchive extends Contents {
  version: number;
}

/** Rows that are given on at a time. */
const PAGE = 500;
/** Longer no row is: that of the largest photo, with its name and caption. */
const LONGEST = 24 * 1024 * 1024;

/**
 * Reads an archive row by row, each upgraded to the present version, and gives them on by pages in their order. Memory stays flat.
 * @throws ArchiveFault where it is no archive, is newer than this Gold Peg, was cut off, or is not what its sum says.
 */
export async function readArchive(file: string, take: (rows: readonly ArchivedRow[]) => Promise<void>): Promise<ReadArchive> {
  const tally = new Tally();
  let version: number | null = null;
  let told: Partial<Contents> = {};
  let page: ArchivedRow[] = [];
  const parser = new JSONParser({ paths: ['$.gold-peg', '$.version', '$.rows.*', '$.counts', '$.sum'], keepStack: false });
  parser.onValue = ({ value, key, stack }) => {
    if (stack.length > 1) {
      if (version === null) throw new ArchiveFault('It must say which version it is before its rows.');
      const row = rowOf(value);
      tally.add(...row);
      page.push(upgraded(row, version, ARCHIVE_VERSION));
    } else if (key === 'gold-peg') mustBe(value === 'archive', 'It is another file of Gold Peg: take it in where such files belong.');
    else if (key === 'version') version = versionOf(value);
    else if (key === 'counts') told = { ...told, counts: value as unknown as Contents['counts'] };
    else if (key === 'sum') told = { ...told, sum: String(value) };
  };
  let since = 0;
  try {
    for await (const chunk of createReadStream(file, { encoding: 'utf8' }) as AsyncIterable<string>) {
      const before = page.length;
      parser.write(chunk);
      since = page.length > before ? 0 : since + chunk.length;
      mustBe(since < LONGEST, `It holds a piece of more than ${LONGEST / 1024 ** 2} MB, which no row of ours has.`);
      if (page.length >= PAGE) {
        await take(page);
        page = [];
      }
    }
  } catch (error) {
    if (error instanceof ArchiveFault || (error as { code?: string }).code !== undefined) throw error;
    throw new ArchiveFault(`It cannot be read as JSON: ${error instanceof Error ? error.message : String(error)}`, { cause: error });
  }
  mustBe(version !== null, 'It is no archive of Gold Peg.');
  mustBe(told.sum !== undefined, 'It was cut off before its end.');
  await take(page);
  const held = tally.contents();
  mustBe(told.sum === held.sum, 'It was changed or damaged: its rows are not what its sum says.');
  return { ...held, version };
}

function rowOf(value: unknown): ArchivedRow {
  const [table, row] = Array.isArray(value) ? (value as unknown[]) : [];
  if (typeof table !== 'string' || typeof row !== 'object' || row === null) throw new ArchiveFault('Every row must name its table.');
  return [table, row as Record<string, unknown>];
}

function versionOf(value: unknown): number {
  if (!Number.isInteger(value) || Number(value) < 1) throw new ArchiveFault('Its version must be a whole number from 1 on.');
  mustBe(
    Number(value) <= ARCHIVE_VERSION,
    `Its version is ${String(value)}, and this Gold Peg knows ${ARCHIVE_VERSION}: take a newer one.`,
  );
  return Number(value);
}

function mustBe(holds: boolean, says: string): asserts holds {
  if (!holds) throw new ArchiveFault(says);
}
