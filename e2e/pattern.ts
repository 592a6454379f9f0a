import { makePattern } from '../scripts/postgres/cluster.js';
import { ensureDatabase } from '../scripts/postgres/database.js';
import { serverCommand } from '../scripts/server-process.js';

/** Names the folder of the pattern to the workers. */
export const PATTERN = 'GOLD_PEG_PATTERN';

/** Before all tests: the demo as a workshop finds it that begins now, once for all of them. Gone when they have ended. */
export default async function setup(): Promise<() => void> {
  const root = new URL('..', import.meta.url).pathname;
  const pattern = await makePattern(async (url) => {
    const databaseUrl = await ensureDatabase(url, 'gold_peg');
    serverCommand({ root, databaseUrl, clock: null }, 'demo', 'rack');
  });
  process.env[PATTERN] = pattern.folder;
  return () => pattern.remove();
}
