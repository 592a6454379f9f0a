import pg from 'pg';

/** Makes a database of that name where there is none, and returns its address. */
export async function ensureDatabase(clusterUrl: string, name: string): Promise<string> {
  const client = new pg.Client({ connectionString: clusterUrl });
  await client.connect();
  try {
    const { rowCount } = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
    if (rowCount === 0) await client.query(`CREATE DATABASE ${pg.escapeIdentifier(name)}`);
  } finally {
    await client.end();
  }
  return new URL(`/${name}`, clusterUrl).href;
}
