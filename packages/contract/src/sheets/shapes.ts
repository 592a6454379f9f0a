import type * as z from 'zod';
import type { FileKind } from '../files/index.js';
import { stockRow, type StockRow } from '../stock/index.js';
import { filedInstrument, newOwner, type FiledInstrument, type OwnerRow } from '../register/index.js';
import { lineRow, setRow, stringRow, type SetRow, type StringRow } from '../strings/index.js';

/** What a row of each file is. A string brings the name of its line, so that a file of strings stands by itself. */
export interface FiledRow {
  strings: StringRow & { lineName: string };
  sets: SetRow;
  stock: StockRow;
  owners: OwnerRow;
  instruments: FiledInstrument;
}

export const ROW_SCHEMA: { readonly [K in FileKind]: z.ZodType<FiledRow[K]> } = {
  strings: stringRow.safeExtend({ lineName: lineRow.shape.name }),
  sets: setRow,
  stock: stockRow,
  owners: newOwner,
  instruments: filedInstrument,
};

/** What makes two rows the same thing. */
export const keyOf: { readonly [K in FileKind]: (row: FiledRow[K]) => string } = {
  strings: ({ id }) => id,
  sets: ({ id }) => id,
  stock: ({ kind, id }) => `${kind} ${id}`,
  owners: ({ id }) => id,
  instruments: ({ id }) => id,
};
