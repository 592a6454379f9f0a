import type { DataSource } from 'typeorm';
import type { SetRow, StringTableFile } from '@gold-peg/contract/strings';
import { type Handler, Refusal, refuseField } from '../handling/index.js';
import { addOnce, isSame, StringEntryRow, StringLineRow, StringSetRow, TuningEntryRow } from '../store/index.js';
import { misfit } from './misfit.js';
import { toSetColumns, toStoredSet, toStoredString, toStringColumns } from './rows.js';

export async function readStringTable(store: DataSource): Promise<StringTableFile> {
  const [lines, strings, sets, tunings] = await Promise.all([
    store.getRepository(StringLineRow).find({ order: { id: 'ASC' } }),
    store.getRepository(StringEntryRow).find({ order: { lineId: 'ASC', gaugeMm: 'ASC', id: 'ASC' } }),
    store.getRepository(StringSetRow).find({ order: { family: 'ASC', id: 'ASC' } }),
    store.getRepository(TuningEntryRow).find({ order: { id: 'ASC' } }),
  ]);
  return { lines, strings: strings.map(toStoredString), sets: sets.map(toStoredSet), tunings };
}

export const stringTable: Handler<'stringTable'> = ({ store }) => readStringTable(store);

export const addString: Handler<'addString'> = async ({ store, body }) => {
  await requireLine(store, body.lineId);
  const added = await addOnce(store, StringEntryRow, { ...toStringColumns(body), version: 1 });
  return newOrSame(added, toStoredString(await store.getRepository(StringEntryRow).findOneByOrFail({ id: body.id })), body);
};

export const changeString: Handler<'changeString'> = async ({ store, params, body }) => {
  const { version, ...row } = body;
  if (row.id !== params.id) throw refuseField('id', 'must be the id of the address: an id is never changed');
  await requireLine(store, row.lineId);
  const { affected } = await store
    .getRepository(StringEntryRow)
    .update({ id: params.id, version }, { ...toStringColumns(row), version: version + 1 });
  const now = await store.getRepository(StringEntryRow).findOneBy({ id: params.id });
  if (now === null) throw new Refusal('unknown', 'There is no string with that id.');
  const current = toStoredString(now);
  if (affected === 0) throw new Refusal('stale', 'Somebody changed this string meanwhile: it is shown as it is now.', { current });
  return current;
};

export const addSet: Handler<'addSet'> = async ({ store, body }) => {
  if (body.lineId !== null) await requireLine(store, body.lineId);
  const says = await misfits(store, body);
  if (says !== undefined) throw refuseField('stringIds', says);
  const added = await addOnce(store, StringSetRow, { ...toSetColumns(body), version: 1 });
  return newOrSame(added, toStoredSet(await store.getRepository(StringSetRow).findOneByOrFail({ id: body.id })), body);
};

export const addTuning: Handler<'addTuning'> = async ({ store, body }) => {
  const added = await addOnce(store, TuningEntryRow, body);
  return newOrSame(added, await store.getRepository(TuningEntryRow).findOneByOrFail({ id: body.id }), body);
};

/** What is there under the id that was asked for: new, or the same as before where a request came twice. */
function newOrSame<Stored extends object>(added: boolean, current: Stored, asked: Partial<Stored> & { id: string }): Stored {
  if (added || isSame(current as Partial<Stored> & { id: string }, asked)) return current;
  const says = `must be new: ${asked.id} is there already, and is something else`;
  throw new Refusal('taken', `id ${says}`, { fields: [{ field: 'id', says }], current });
}

/** The first string that cannot be of this set, in words; undefined where all can. */
async function misfits(store: DataSource, { stringIds, family }: SetRow): Promise<string | undefined> {
  const entries = await store.getRepository(StringEntryRow).find({ select: { id: true, family: true } });
  const families = new Map(entries.map((entry) => [entry.id, entry.family]));
  const bad = stringIds.find((id) => families.get(id) !== family);
  return bad === undefined ? undefined : misfit(bad, families.get(bad), family);
}

async function requireLine(store: DataSource, id: string): Promise<void> {
  if (!(await store.getRepository(StringLineRow).existsBy({ id }))) throw refuseField('lineId', 'must be a line of the table');
}
