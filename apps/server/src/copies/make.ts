import { stat, unlink } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { DateTime } from 'luxon';
import { v7 as uuidV7 } from 'uuid';
import { In, Not, type DataSource } from 'typeorm';
import { readDay } from '../day/index.js';
import { actOf } from '../acts/index.js';
import { ArchiveFault, backUp } from '../archive/index.js';
import { CopyRow } from '../store/index.js';
import { keptOf } from './kept.js';
import { openInEmptyHouse } from './open-in-empty-house.js';

/** Where copies lie, and of what house. */
export interface CopyPlace {
  store: DataSource;
  /** Of the database: an empty house is opened beside it. */
  url: string;
  folder: string;
}

const zoneOf = async (store: DataSource): Promise<string> => (await readDay(store)).hours.zone;

/** A copy that is begun: whoever waits for its end awaits `done`, which never fails. */
export interface BegunCopy {
  row: CopyRow;
  done: Promise<void>;
}

export async function beginCopy(place: CopyPlace, { at, personId }: { at: Date; personId: string | null }): Promise<BegunCopy> {
  const file = `gold-peg-${DateTime.fromJSDate(at, { zone: await zoneOf(place.store) }).toFormat('yyyy-LL-dd-HHmmss')}.json`;
  const empty = { says: null, bytes: null, instruments: null, lines: null, seconds: null, carriedAt: null };
  const row: CopyRow = { id: uuidV7(), madeAt: at, personId, file, state: 'under-way', ...empty };
  await place.store.getRepository(CopyRow).insert(row);
  // where the database itself is away nothing can be told: such a copy is under way until it passes for dead
  return { row, done: finish(place, row).catch(() => undefined) };
}

async function finish({ store, url, folder }: CopyPlace, row: CopyRow): Promise<void> {
  const path = join(folder, row.file);
  const copies = store.getRepository(CopyRow);
  let told: string;
  try {
    const { counts } = await backUp(store, path, row.madeAt);
    const began = performance.now();
    const says = await openInEmptyHouse(store, url, path).then(() => null, mayNot);
    await copies.update(row.id, {
      state: says === null ? 'compared' : 'written',
      says,
      bytes: (await stat(path)).size,
      instruments: counts['instrument'] ?? 0,
      lines: counts['bench_event'] ?? 0,
      seconds: (performance.now() - began) / 1000,
    });
    told = `made${says === null ? ', opened and compared' : ''}`;
  } catch (error) {
    const says =
      error instanceof ArchiveFault ? error.message : `It could not be made: ${error instanceof Error ? error.message : String(error)}`;
    await unlink(path).catch(() => undefined); // half a copy is none
    await copies.update(row.id, { state: 'failed', says });
    told = `failed: ${says}`;
  }
  // a good copy stays one, whatever comes of this
  await actOf(store, { at: row.madeAt, personId: row.personId, kind: 'copy', says: `${row.file} ${told}` });
  if (told.startsWith('made')) await forget(store, folder);
}

/** PostgreSQL's code for what a user may not do. */
const NOT_ALLOWED = '42501';

/** A copy that nobody could open is one all the same, and says so. */
function mayNot(error: unknown): string {
  if ((error as { code?: string }).code !== NOT_ALLOWED) throw error;
  return 'It was read again, and not opened: the user of this database may not make another one beside it (CREATEDB).';
}

/** Files of copies that are not kept any more are taken away. */
async function forget(store: DataSource, folder: string): Promise<void> {
  const copies = store.getRepository(CopyRow);
  const rows = await copies.find({ where: { state: In(['written', 'compared']), file: Not('') }, order: { madeAt: 'DESC' } });
  const kept = keptOf(rows, await zoneOf(store));
  const gone = rows.filter((row) => !kept.has(row.id));
  for (const { file } of gone) await unlink(join(folder, basename(file))).catch(() => undefined);
  // that one was carried out is remembered without its file
  await copies.update({ id: In(gone.map(({ id }) => id)) }, { file: '' });
}
