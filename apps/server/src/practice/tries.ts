import type { DataSource } from 'typeorm';
import { MOST_TRIES_READ } from '@gold-peg/contract/practice';
import { PracticeTryRow } from '../store/index.js';

/** The latest tries of somebody, the latest last. */
export async function latestTries(store: DataSource, personId: string): Promise<PracticeTryRow[]> {
  const rows = await store
    .getRepository(PracticeTryRow)
    .find({ where: { personId }, order: { at: 'DESC', id: 'DESC' }, take: MOST_TRIES_READ });
  return rows.reverse();
}
