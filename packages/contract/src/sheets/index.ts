export { ACT_COLUMNS, LOG_COLUMNS, writeActRows, writeLogRows } from './log-table.js';
export { readFile, type ReadFile } from './read-file.js';
export type { FiledRow } from './shapes.js';
export { writeResults } from './result-table.js';
export { writeFile } from './write-file.js';
