import Papa from 'papaparse';
import { v5 as uuidV5 } from 'uuid';
import * as z from 'zod';
import { fromCells } from './cells.js';
import { COLUMNS, type FileFormat, type FileKind, type FileProblem } from '../files/index.js';
import { readCards } from './vcard.js';
import { keyOf, ROW_SCHEMA, type FiledRow } from './shapes.js';
import { jsonExtent } from '../extent/index.js';
import { issueFields, MOST_FAULTS } from '../problems/index.js';

export interface ReadFile<K extends FileKind> {
  /** Rows in the order of the file, each with its place; empty as soon as anything is wrong. */
  rows: { row: number; value: FiledRow[K] }[];
  problems: FileProblem[];
}

/** A file of JSON says what it holds, so that a file of sets is not taken for one of strings. */
const jsonFile = (kind: FileKind) =>
  z.strictObject({
    'gold-peg': z.literal(kind, { error: `must be "${kind}": this is the place for a file of ${kind}` }),
    version: z.literal(1, { error: 'must be 1: newer files need a newer Gold Peg' }),
    rows: z.array(z.unknown(), { error: 'must be a list of rows' }),
  });

/** More than a workshop has of anything; a file that is larger is split. */
const MOST_ROWS = 5000;
const MOST_COLUMNS = 100;
/** A cell that holds what an instrument is made of has as many commas as values. */
const MOST_COMMAS_OF_INSTRUMENT = 1000;
/** Values that a row may have on the average. */
/** An instrument of eighteen strings has some three hundred, and is the longest row of all. */
const VALUES_PER_ROW = 60;
const VALUES_OF_INSTRUMENT = 400;
const DEEPEST = 10;

/** Reads a whole file and finds what is wrong with it, row by row, up to a hundred faults. Nothing is taken from a file that has one. */
export function readFile<K extends FileKind>(kind: K, format: FileFormat, text: string): ReadFile<K> {
  const raw = text.includes(UNREADABLE) ? tooMuch('must be written in UTF-8: some of its letters cannot be read') : RAW[format](kind, text);
  if (raw.problems.length > 0) return { rows: [], problems: raw.problems.slice(0, MOST_FAULTS) };
  const rows: ReadFile<K>['rows'] = [];
  const problems: FileProblem[] = [];
  const seen = new Map<string, number>();
  for (const { row, value } of raw.rows) {
    if (problems.length >= MOST_FAULTS) break;
    const parsed = ROW_SCHEMA[kind].safeParse(value);
    if (!parsed.success) {
      problems.push(...issueFields(parsed.error).map(({ path, says }) => ({ row, column: columnOf(kind, format, path), says })));
      continue;
    }
    const key = keyOf[kind](parsed.data);
    const before = seen.get(key);
    if (before !== undefined) problems.push({ row, column: 'id', says: `must be there once: row ${before} already has ${key}` });
    seen.set(key, row);
    rows.push({ row, value: parsed.data });
  }
  return problems.length > 0 ? { rows: [], problems: problems.slice(0, MOST_FAULTS) } : { rows, problems };
}

const tooMuch = (says: string): Raw => ({ rows: [], problems: [{ row: 0, column: 'file', says }] });
const TOO_MANY_ROWS = `must have at most ${MOST_ROWS} rows: split the file`;

interface Raw {
  rows: { row: number; value: unknown }[];
  problems: FileProblem[];
}

/** What stands where bytes were no letter. */
const UNREADABLE = '\ufffd';
const HEADER_ROW = 1;

function readCsv(kind: FileKind, text: string): Raw {
  const most = kind === 'instruments' ? MOST_COMMAS_OF_INSTRUMENT : MOST_COLUMNS;
  const widest = text.split('\n', MOST_ROWS + 2).reduce((wide, line) => Math.max(wide, line.split(',', most + 1).length), 0);
  if (widest > most) return tooMuch(`must have at most ${MOST_COLUMNS} columns`);
  const columns = COLUMNS[kind];
  const names = columns.map(({ name }) => name);
  const { data, errors, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    preview: MOST_ROWS + 2, // with its first line, and one more to know that there are more
  });
  if (data.length > MOST_ROWS) return tooMuch(TOO_MANY_ROWS);
  const has = meta.fields ?? [];
  const header = [
    ...names.filter((name) => !has.includes(name)).map((name) => ({ row: HEADER_ROW, column: name, says: 'must be a column of the file' })),
    ...has
      .filter((name) => !names.includes(name))
      .map((name) => ({ row: HEADER_ROW, column: name, says: `is not a column of a file of ${kind}` })),
  ];
  if (header.length > 0) return { rows: [], problems: header };
  const torn = errors
    .filter(({ type }) => type !== 'Delimiter')
    .map(({ type, row = 0, message }) => ({
      // a quote is counted with the header, a missing cell without it
      row: row + HEADER_ROW + (type === 'Quotes' ? 0 : 1),
      column: type === 'Quotes' ? 'quotes' : 'cells',
      says: message.toLowerCase(),
    }));
  return { rows: data.map((cells, index) => ({ row: index + HEADER_ROW + 1, value: fromCells(cells, columns) })), problems: torn };
}

function readJson(kind: FileKind, text: string): Raw {
  const { depth, values } = jsonExtent(text);
  if (depth > DEEPEST) return tooMuch(`must not have more than ${DEEPEST} lists and objects inside one another`);
  if (values > MOST_ROWS * (kind === 'instruments' ? VALUES_OF_INSTRUMENT : VALUES_PER_ROW)) return tooMuch(TOO_MANY_ROWS);
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return {
      rows: [],
      problems: [{ row: 0, column: 'file', says: `must be JSON: ${error instanceof Error ? error.message : String(error)}` }],
    };
  }
  const file = jsonFile(kind).safeParse(value);
  if (!file.success) {
    return { rows: [], problems: issueFields(file.error).map(({ path, says }) => ({ row: 0, column: path.join('.') || 'file', says })) };
  }
  if (file.data.rows.length > MOST_ROWS) return tooMuch(TOO_MANY_ROWS);
  return { rows: file.data.rows.map((each, index) => ({ row: index + 1, value: each })), problems: [] };
}

/** Each card is a row. A card without an id of our form has one that its own UID, or its name, makes: read twice it is the same owner. */
function readVcf(_kind: FileKind, text: string): Raw {
  if (text.split(/^BEGIN:VCARD/im).length - 1 > MOST_ROWS) return tooMuch(TOO_MANY_ROWS);
  try {
    return { rows: readCards(text.trim(), (uid) => uuidV5(uid, CARDS)), problems: [] };
  } catch (error) {
    return {
      rows: [],
      problems: [{ row: 0, column: 'file', says: `must be vCards: ${error instanceof Error ? error.message : String(error)}` }],
    };
  }
}
/** The space of names in which cards have their ids. */
const CARDS = '8b0f1f8e-6f0e-5b43-9a55-1a7d5d1a2c11';

const RAW: Readonly<Record<FileFormat, (kind: FileKind, text: string) => Raw>> = { csv: readCsv, json: readJson, vcf: readVcf };

function columnOf(kind: FileKind, format: FileFormat, path: readonly string[]): string {
  if (format !== 'csv') return path.join('.') || 'row';
  const names = COLUMNS[kind].filter(
    (column) => column.path.every((part, index) => path[index] === undefined || path[index] === part) && column.path[0] === path[0],
  );
  return names[0]?.name ?? path.join('.');
}
