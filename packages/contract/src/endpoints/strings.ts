import * as z from 'zod';
import { exportedFile, fileChosen, importDraft, importOutcome } from '../files/index.js';
import { version } from '../quantity/index.js';
import { orderDraft, stockItem, stockList, stockRow, supplyOrder } from '../stock/index.js';
import { setRow, storedSet, storedString, stringRow, stringTable, tableId, tuningRow } from '../strings/index.js';
import type { Endpoint } from './endpoint.js';
import { bench, front } from './shared.js';

const byTableId = z.object({ id: tableId });

/** Strings, the shelf, and files of them. */
export const STRINGS = {
  stringTable: {
    method: 'GET',
    path: '/api/strings',
    room: 'strings',
    summary: 'The strings table with its lines, sets and tunings',
    who: front,
    reply: stringTable,
    status: 200,
  },
  addString: {
    method: 'POST',
    path: '/api/strings',
    room: 'strings',
    summary: 'Add a string to the table',
    who: bench,
    body: stringRow,
    reply: storedString,
    status: 201,
  },
  changeString: {
    method: 'PUT',
    path: '/api/strings/:id',
    room: 'strings',
    summary: 'Change a string, its weighed mass for instance; refused when somebody else did meanwhile',
    who: bench,
    params: byTableId,
    body: stringRow.safeExtend({ version }),
    reply: storedString,
    status: 200,
  },
  addSet: {
    method: 'POST',
    path: '/api/sets',
    room: 'strings',
    summary: 'Add a set of strings of the table',
    who: bench,
    body: setRow,
    reply: storedSet,
    status: 201,
  },
  addTuning: {
    method: 'POST',
    path: '/api/tunings',
    room: 'strings',
    summary: 'Add a tuning',
    who: bench,
    body: tuningRow,
    reply: tuningRow,
    status: 201,
  },
  stock: {
    method: 'GET',
    path: '/api/stock',
    room: 'stock',
    summary: 'What lies on the shelf, what is reserved, used, lost and ordered',
    who: front,
    reply: stockList,
    status: 200,
  },
  countStock: {
    method: 'PUT',
    path: '/api/stock',
    room: 'stock',
    summary: 'Say what was counted of one thing, and when more is to be ordered',
    who: front,
    body: stockRow,
    reply: stockItem,
    status: 200,
  },
  placeOrder: {
    method: 'POST',
    path: '/api/stock/orders',
    room: 'stock',
    summary: 'Order from the supplier',
    who: front,
    body: orderDraft,
    reply: supplyOrder,
    status: 201,
  },
  importFile: {
    method: 'POST',
    path: '/api/files',
    room: 'files',
    summary:
      'Read a file of strings, sets, stock or owners: checked whole, and written only when nothing is wrong and writing is asked for',
    who: bench,
    body: importDraft,
    reply: importOutcome,
    status: 200,
  },
  exportFile: {
    method: 'GET',
    path: '/api/files/:kind/:format',
    room: 'files',
    summary: 'Strings, sets, stock or owners as a file; owners as vCards, too',
    who: front,
    params: fileChosen,
    reply: exportedFile,
    status: 200,
  },
  stringTablePdf: {
    method: 'GET',
    path: '/api/strings/table.pdf',
    room: 'strings',
    summary: 'The strings table on paper',
    who: front,
    gives: 'application/pdf',
    status: 200,
  },
} as const satisfies Record<string, Endpoint>;
