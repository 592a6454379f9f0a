import * as z from 'zod';
import { uuid } from '../quantity/index.js';

/** Server-sent events: one line for each change of the log. Not in the table, since it answers with a stream. */
export const FEED_PATH = '/api/feed';
export const feedMessage = z.object({ jobId: uuid, instrumentId: uuid, seq: z.int() });
export type FeedMessage = z.infer<typeof feedMessage>;

/** Cut marks of a job on paper, true to scale; `paper` is a4 or letter. Not in the table of endpoints, since it answers with a PDF. */
export const CUT_STRIP_PDF_PATH = '/api/jobs/:id/cut-strip.pdf';
/** The strings table on paper. Not in the table of endpoints, since it answers with a PDF. */
export const TABLE_PDF_PATH = '/api/strings/table.pdf';
