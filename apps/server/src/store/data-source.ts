import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { BenchEventRow } from './bench-event.js';
import { HouseRow, TurnsCountedRow } from './house.js';
import { JobRow } from './job.js';
import { Foundation1764000000000 } from './migrations/1764000000000-foundation.js';
import { StringsAndStock1764100000000 } from './migrations/1764100000000-strings-and-stock.js';
import { MethodsAndCounts1764200000000 } from './migrations/1764200000000-methods-and-counts.js';
import { StageTimes1764300000000 } from './migrations/1764300000000-stage-times.js';
import { PersonRow } from './person.js';
import { CurrentStringRow, InstrumentRow, OwnerRow, SetupRow } from './register.js';
import { SessionRow, SignInTryRow } from './session.js';
import { StageTimeRow } from './stage-time.js';
import { StockItemRow, StockMovementRow, StockUseRow, SupplyOrderRow } from './stock.js';
import { StringEntryRow, StringLineRow, StringSetRow, TuningEntryRow } from './strings.js';

/** Connections a server may hold; several servers share one database. */
const POOL_SIZE = 10;

export function buildStore(url: string): DataSource {
  return new DataSource({
    type: 'postgres',
    url,
    entities: [
      PersonRow,
      OwnerRow,
      InstrumentRow,
      SetupRow,
      CurrentStringRow,
      JobRow,
      BenchEventRow,
      SessionRow,
      SignInTryRow,
      StringLineRow,
      StringEntryRow,
      StringSetRow,
      TuningEntryRow,
      StockItemRow,
      StockMovementRow,
      StockUseRow,
      SupplyOrderRow,
      HouseRow,
      TurnsCountedRow,
      StageTimeRow,
    ],
    migrations: [Foundation1764000000000, StringsAndStock1764100000000, MethodsAndCounts1764200000000, StageTimes1764300000000],
    synchronize: false,
    poolSize: POOL_SIZE,
    extra: { connectionTimeoutMillis: 3000 },
  });
}

/** Connects, and brings the database up to date. `changed` is called where that changed it: what follows from the log may want to be made anew. */
export async function openStore(
  url: string,
  changed: (store: DataSource) => Promise<unknown> = () => Promise.resolve(),
): Promise<DataSource> {
  const store = await buildStore(url).initialize();
  const migrations = await store.runMigrations({ transaction: 'all' });
  if (migrations.length > 0) await changed(store);
  return store;
}
