import { Not, type EntityManager } from 'typeorm';
import { JobRow } from './job.js';

/** Keeps others from opening a job of this instrument until the transaction ends. */
export const holdInstrument = (tx: EntityManager, instrumentId: string) =>
  tx.query('SELECT 1 FROM instrument WHERE id = $1 FOR NO KEY UPDATE', [instrumentId]);

/** The job of an instrument that waits or lies on the bench; null where there is none. */
export const openJobOf = (tx: EntityManager, instrumentId: string) => tx.findOneBy(JobRow, { instrumentId, state: Not('handed-over') });
