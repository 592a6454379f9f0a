import Papa from 'papaparse';
import { FORMULA, toCells } from './cells.js';
import { COLUMNS, type FileFormat, type FileKind } from '../files/index.js';
import type { OwnerRow } from '../register/index.js';
import type { FiledRow } from './shapes.js';
import { writeCards } from './vcard.js';

/** Rows as the text of a file that `readFile` reads back to the same rows. */
export function writeFile<K extends FileKind>(kind: K, format: FileFormat, rows: readonly FiledRow[K][]): string {
  if (format === 'json') return `${JSON.stringify({ 'gold-peg': kind, version: 1, rows }, null, 2)}\n`;
  if (format === 'vcf') return writeCards(rows as readonly OwnerRow[]);
  const columns = COLUMNS[kind];
  const data = rows.map((row) => toCells(row, columns));
  return `${Papa.unparse({ fields: columns.map(({ name }) => name), data }, { newline: '\n', escapeFormulae: FORMULA })}\n`;
}
