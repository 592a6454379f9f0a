import Papa from 'papaparse';
import type { LogLine } from '../bench-log/index.js';
import type { Act } from '../people/index.js';
import { FORMULA } from './cells.js';

/** Columns of the log as a table. */
export const LOG_COLUMNS = ['seq', 'storedAt', 'person', 'passport', 'instrument', 'jobId', 'kind', 'string', 'payload'] as const;

/** Lines of the log as rows of a CSV file, each with its end; no cell is a formula for who opens it. */
export function writeLogRows(lines: readonly LogLine[]): string {
  const data = lines.map((line) =>
    LOG_COLUMNS.map((column) => (column === 'payload' ? JSON.stringify(line.payload) : (line[column] ?? ''))),
  );
  return `${Papa.unparse(data, { newline: '\n', escapeFormulae: FORMULA })}\n`;
}

/** Columns of who did what beside the bench, as a table. */
export const ACT_COLUMNS = ['at', 'person', 'kind', 'says'] as const;

/** The same for who did what. */
export const writeActRows = (acts: readonly Act[]): string =>
  `${Papa.unparse(
    acts.map(({ at, person, kind, says }) => [at, person?.name ?? '', kind, says]),
    { newline: '\n', escapeFormulae: FORMULA },
  )}\n`;
