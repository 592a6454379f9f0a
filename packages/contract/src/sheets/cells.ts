import type { Column } from '../files/index.js';

type Row = Record<string, unknown>;

/** A row as the cells of a table. Numbers are written in full, so that they come back as they were. */
export function toCells(row: object, columns: readonly Column[]): string[] {
  return columns.map(({ path, kind }) => {
    const value = path.reduce<unknown>((inner, key) => (inner as Row | null | undefined)?.[key], row);
    if (value === null || value === undefined) return '';
    if (kind === 'json') return JSON.stringify(value);
    return kind === 'list' ? (value as string[]).join(' ') : String(value as string | number | boolean);
  });
}

/** Cells as a row, still unchecked: what cannot be read as its kind stays text, and the schema then says what it must be. */
export function fromCells(cells: Readonly<Record<string, string>>, columns: readonly Column[]): Row {
  const row: Row = {};
  for (const { name, path, kind } of columns) {
    const [outer = '', inner] = path;
    const value = readCell(asItWas((cells[name] ?? '').trim()), kind);
    if (inner === undefined) row[outer] = value;
    else if (value !== null) row[outer] = { ...(row[outer] as Row | null), [inner]: value };
    else row[outer] ??= null;
  }
  return row;
}

/** A cell that a spreadsheet would take for a formula, or one that looks as if it went out so: it goes out with an apostrophe before it, and loses that when it comes in. */
export const FORMULA = /^'*[=+\-@\t\r]/;
const asItWas = (cell: string): string => (cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell);

function readCell(cell: string, kind: Column['kind']): unknown {
  if (kind === 'list') return cell === '' ? [] : cell.split(/\s+/);
  if (cell === '' && kind !== 'remark') return null;
  if (kind === 'number') return Number.isNaN(Number(cell)) ? cell : Number(cell);
  if (kind === 'json') return readJson(cell);
  if (kind === 'truth') return cell === 'true' ? true : cell === 'false' ? false : cell;
  return cell;
}

/** What is no JSON stays text. */
function readJson(cell: string): unknown {
  try {
    return JSON.parse(cell);
  } catch {
    return cell;
  }
}
