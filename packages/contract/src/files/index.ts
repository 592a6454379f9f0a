import * as z from 'zod';
import { FILE_FORMATS, FILE_KINDS, formatsOf } from './kinds.js';

export { COLUMNS, type Column } from './columns.js';
export { FILE_FORMATS, FILE_KINDS, formatsOf, type FileFormat, type FileKind } from './kinds.js';

/** What is wrong in a file, and where. Rows count as a spreadsheet does: in CSV the first row of data is row 2, in JSON row 1. */
export const fileProblem = z.object({ row: z.int(), column: z.string(), says: z.string() });
export type FileProblem = z.infer<typeof fileProblem>;

/** Longest file that is taken, characters: the request has room for no more. */
const MOST_TEXT = 900_000;

const ofItsKind = {
  path: ['format'],
  error: 'must be csv or json: only owners come as vCards',
};
/** A file by what it holds and how it is written. */
export const fileChosen = z
  .object({ kind: z.enum(FILE_KINDS), format: z.enum(FILE_FORMATS) })
  .refine(({ kind, format }) => formatsOf(kind).includes(format), ofItsKind);

export const importDraft = z
  .strictObject({
    kind: z.enum(FILE_KINDS),
    format: z.enum(FILE_FORMATS),
    text: z
      .string({ error: 'must be the text of the file' })
      .max(MOST_TEXT, { error: `must have at most ${MOST_TEXT} characters: split the file` }),
    /** False looks the file over and writes nothing. */
    write: z.boolean({ error: 'must be true or false' }),
  })
  .refine(({ kind, format }) => formatsOf(kind).includes(format), ofItsKind);
export const importOutcome = z.object({
  rows: z.int(),
  added: z.int(),
  changed: z.int(),
  same: z.int(),
  written: z.boolean(),
  problems: z.array(fileProblem),
});
export type ImportOutcome = z.infer<typeof importOutcome>;
export const exportedFile = z.object({ name: z.string(), text: z.string() });
