import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { clientFor, readAddress } from './address.js';
import { AttachmentRow } from './attachment.js';
import { BenchEventRow } from './bench-event.js';
import { DayRow } from './day.js';
import { HouseRow, TurnsCountedRow } from './house.js';
import { JobRow } from './job.js';
import {
  Archive1765100000000,
  Attachments1765300000000,
  Measured1765200000000,
  Day1765500000000,
  Promises1765600000000,
  Office1765700000000,
  Practice1765800000000,
  PracticeSheets1765900000000,
  SetupMinutes1765400000000,
  Foundation1764000000000,
  MethodsAndCounts1764200000000,
  OneOfEach1764400000000,
  Due1764800000000,
  LogSearch1764900000000,
  Outbox1765000000000,
  RegisterOrder1764700000000,
  Size1764600000000,
  StageTimes1764300000000,
  StringsAndStock1764100000000,
  TasksAndSecrets1764500000000,
} from './migrations/index.js';
import { MessageRow } from './message.js';
import { ActRow, BenchDeviceRow, CopyRow, PassphraseLinkRow } from './office.js';
import { PersonRow } from './person.js';
import { PracticeSheetRow } from './practice-sheet.js';
import { PracticeTryRow } from './practice-try.js';
import { CurrentStringRow, InstrumentRow, OwnerRow, SetupRow } from './register.js';
import { SessionRow, SignInTryRow } from './session.js';
import { ProjectionTaskRow } from './projection-task.js';
import { SecretRow } from './secret.js';
import { StageTimeRow } from './stage-time.js';
import { StockItemRow, StockMovementRow, StockUseRow, SupplyOrderRow } from './stock.js';
import { StringEntryRow, StringLineRow, StringSetRow, TuningEntryRow } from './strings.js';

/** Connections a server may hold; several servers share one database. */
const POOL_SIZE = 10;

/** @param text an address with one host or several. */
export function buildStore(text: string): DataSource {
  const { url, hosts } = readAddress(text);
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
      DayRow,
      TurnsCountedRow,
      StageTimeRow,
      PracticeSheetRow,
      PracticeTryRow,
      ProjectionTaskRow,
      SecretRow,
      MessageRow,
      AttachmentRow,
      ActRow,
      BenchDeviceRow,
      CopyRow,
      PassphraseLinkRow,
    ],
    migrations: [
      Foundation1764000000000,
      StringsAndStock1764100000000,
      MethodsAndCounts1764200000000,
      StageTimes1764300000000,
      OneOfEach1764400000000,
      TasksAndSecrets1764500000000,
      Size1764600000000,
      RegisterOrder1764700000000,
      Due1764800000000,
      LogSearch1764900000000,
      Outbox1765000000000,
      Archive1765100000000,
      Measured1765200000000,
      Attachments1765300000000,
      SetupMinutes1765400000000,
      Day1765500000000,
      Promises1765600000000,
      Office1765700000000,
      Practice1765800000000,
      PracticeSheets1765900000000,
    ],
    synchronize: false,
    poolSize: POOL_SIZE,
    extra: { connectionTimeoutMillis: 3000, Client: clientFor({ hosts }) },
  });
}

/** Servers that start together bring a database up to date one after the other. */
const MIGRATION_LOCK = 7_140_002;

/** Connects, and brings the database up to date. */
export async function openStore(url: string): Promise<DataSource> {
  const store = await buildStore(url).initialize();
  try {
    await migrateInTurn(store);
  } catch (error) {
    await store.destroy();
    throw error;
  }
  return store;
}

async function migrateInTurn(store: DataSource): Promise<void> {
  const turn = store.createQueryRunner();
  try {
    await turn.query('SELECT pg_advisory_lock($1)', [MIGRATION_LOCK]);
    await store.runMigrations({ transaction: 'all' });
    await turn.query('SELECT pg_advisory_unlock($1)', [MIGRATION_LOCK]);
  } finally {
    await turn.release();
  }
}
