import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { BenchEventRow } from './bench-event.js';
import { JobRow } from './job.js';
import { Foundation1764000000000 } from './migrations/1764000000000-foundation.js';
import { PersonRow } from './person.js';
import { CurrentStringRow, InstrumentRow, OwnerRow, SetupRow } from './register.js';
import { SessionRow, SignInTryRow } from './session.js';

/** Connections a server may hold; several servers share one database. */
const POOL_SIZE = 10;

export function buildStore(url: string): DataSource {
  return new DataSource({
    type: 'postgres',
    url,
    entities: [PersonRow, OwnerRow, InstrumentRow, SetupRow, CurrentStringRow, JobRow, BenchEventRow, SessionRow, SignInTryRow],
    migrations: [Foundation1764000000000],
    synchronize: false,
    poolSize: POOL_SIZE,
    extra: { connectionTimeoutMillis: 3000 },
  });
}

export async function openStore(url: string): Promise<DataSource> {
  const store = await buildStore(url).initialize();
  await store.runMigrations({ transaction: 'all' });
  return store;
}
