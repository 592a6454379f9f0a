import { In, type EntityManager } from 'typeorm';
import { v7 as uuidV7 } from 'uuid';
import { stockUse, type Worksheet } from '@gold-peg/craft/worksheet';
import { StockUseRow, StringSetRow } from '../store/index.js';

/** Writes what the log says that a job takes from the shelf. */
export async function projectUse(tx: EntityManager, jobId: string, sheet: Worksheet): Promise<void> {
  const ids = sheet.standing.flatMap((event) => (event.kind === 'set-chosen' && event.payload.setId != null ? [event.payload.setId] : []));
  const sets = new Map((await tx.findBy(StringSetRow, { id: In(ids) })).map(({ id, stringIds }) => [id, stringIds]));
  await tx.delete(StockUseRow, { jobId });
  const rows = stockUse(sheet, (setId) => sets.get(setId) ?? null).map(({ at, ...use }) => ({
    id: uuidV7(),
    jobId,
    ...use,
    at: new Date(at),
  }));
  await tx.insert(StockUseRow, rows);
}
