import type * as z from 'zod';
import { stockRow, type StockRow } from '../stock/index.js';
import { lineRow, setRow, stringRow, type SetRow, type StringRow } from '../strings/index.js';

export const FILE_KINDS = ['strings', 'sets', 'stock'] as const;
export type FileKind = (typeof FILE_KINDS)[number];
export const FILE_FORMATS = ['csv', 'json'] as const;
export type FileFormat = (typeof FILE_FORMATS)[number];

/** What a row of each file is. A string brings the name of its line, so that a file of strings stands by itself. */
export interface FiledRow {
  strings: StringRow & { lineName: string };
  sets: SetRow;
  stock: StockRow;
}

/** How a cell is read: an empty one is null, but an empty remark is a remark. */
export type CellKind = 'text' | 'remark' | 'number' | 'truth' | 'list';
export interface Column {
  name: string;
  /** Where its value stands in the row. */
  path: readonly string[];
  kind: CellKind;
}

const column = (name: string, path = name, kind: CellKind = 'text'): Column => ({ name, path: path.split('.'), kind });

export const COLUMNS: Readonly<Record<FileKind, readonly Column[]>> = {
  strings: [
    column('id'),
    column('line', 'lineId'),
    column('line_name', 'lineName'),
    column('family'),
    column('construction'),
    column('gauge_mm', 'gaugeMm', 'number'),
    column('wrap'),
    column('finish'),
    column('layers', 'layers', 'number'),
    column('silk', 'silk', 'truth'),
    column('core_shape', 'coreShape'),
    column('core_mm', 'coreMm', 'number'),
    column('end'),
    column('coating'),
    column('mark'),
    column('weighed_mass_g', 'weighed.massG', 'number'),
    column('weighed_length_mm', 'weighed.lengthMm', 'number'),
  ],
  sets: [column('id'), column('line', 'lineId'), column('name'), column('family'), column('strings', 'stringIds', 'list')],
  stock: [
    column('kind'),
    column('id'),
    column('counted', 'counted', 'number'),
    column('reorder_at', 'reorderAt', 'number'),
    column('reorder_to', 'reorderTo', 'number'),
    column('shelf', 'shelf', 'remark'),
  ],
};

export const ROW_SCHEMA: { readonly [K in FileKind]: z.ZodType<FiledRow[K]> } = {
  strings: stringRow.safeExtend({ lineName: lineRow.shape.name }),
  sets: setRow,
  stock: stockRow,
};

/** What makes two rows the same thing. */
export const keyOf: { readonly [K in FileKind]: (row: FiledRow[K]) => string } = {
  strings: ({ id }) => id,
  sets: ({ id }) => id,
  stock: ({ kind, id }) => `${kind} ${id}`,
};
