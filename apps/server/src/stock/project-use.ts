import type { EntityManager } from 'typeorm';
import { v7 as uuidV7 } from 'uuid';
import { stockUse, type Worksheet } from '@gold-peg/craft/worksheet';
import { StockUseRow, StringSetRow } from '../store/index.js';

/** Writes what the log says that a job takes from the shelf. */
export async function projectUse(tx: EntityManager, jobId: string, sheet: Worksheet): Promise<void> {
  const setId = sheet.chosen?.payload.setId ?? null;
  const set = setId === null ? null : await tx.findOneBy(StringSetRow, { id: setId });
  await tx.delete(StockUseRow, { jobId });
  const rows = stockUse(sheet, set?.stringIds ?? null).map(({ at, ...use }) => ({ id: uuidV7(), jobId, ...use, at: new Date(at) }));
  await tx.insert(StockUseRow, rows);
}
