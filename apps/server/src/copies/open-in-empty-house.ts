import { randomBytes } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { restore, type Contents } from '../archive/index.js';
import { buildStore, inDatabase } from '../store/index.js';

/**
 * Opens an archive in an empty house of its own beside this one, where every row is compared, and takes that house away again.
 * @param url of the database, by somebody who may make databases.
 * @throws ArchiveFault where anything in it is wrong.
 */
export async function openInEmptyHouse(store: DataSource, url: string, file: string): Promise<Contents> {
  const name = `gold_peg_try_${randomBytes(6).toString('hex')}`;
  await store.query(`CREATE DATABASE "${name}"`);
  try {
    const empty = await buildStore(inDatabase(url, name)).initialize();
    try {
      await empty.runMigrations({ transaction: 'all' });
      return await restore(empty, file);
    } finally {
      await empty.destroy();
    }
  } finally {
    await store.query(`DROP DATABASE IF EXISTS "${name}"`);
  }
}
