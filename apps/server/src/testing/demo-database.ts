import pg from 'pg';
import { v4 as uuidV4 } from 'uuid';
import { inject } from 'vitest';
import { ensureDatabase } from '../../../../scripts/postgres/database.js';
import { loadDemo, type DemoScale } from '../demo/load-demo.js';
import { openStore } from '../store/index.js';
import { fillTables } from '../strings/fill-tables.js';

export const DEMO_NOW = new Date('2026-05-26T09:00:00Z');

/** Whoever comes first makes the pattern, the others wait for it. */
const PATTERN_LOCK = 7_140_900;

/** A database of its own with the demo in it, as a copy of one that is made once for all specs. */
export async function demoDatabase(scale: DemoScale): Promise<string> {
  const clusterUrl = inject('clusterUrl');
  const [pattern, name] = [`pattern_${scale}`, `house_${uuidV4().replaceAll('-', '')}`];
  const client = new pg.Client({ connectionString: clusterUrl });
  await client.connect();
  try {
    await client.query('SELECT pg_advisory_lock($1)', [PATTERN_LOCK]);
    const { rowCount } = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [pattern]);
    if (rowCount === 0) await makePattern(clusterUrl, pattern, scale);
    await client.query(`CREATE DATABASE ${name} TEMPLATE ${pattern}`);
  } finally {
    await client.end();
  }
  return new URL(`/${name}`, clusterUrl).href;
}

async function makePattern(clusterUrl: string, pattern: string, scale: DemoScale): Promise<void> {
  const store = await openStore(await ensureDatabase(clusterUrl, pattern));
  try {
    await fillTables(store);
    await loadDemo(store, DEMO_NOW, scale);
  } finally {
    await store.destroy();
  }
}
