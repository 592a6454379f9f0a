import { ILike, In, type DataSource } from 'typeorm';
import type { Owner } from '@gold-peg/contract/register';
import type { Handler } from '../http/handler.js';
import { Refusal } from '../http/refusal.js';
import { addOnce, InstrumentRow, isSame, OwnerRow } from '../store/index.js';
import { containing } from './search.js';

export const listOwners: Handler<'listOwners'> = async ({ store, query }) => {
  const rows = await store.getRepository(OwnerRow).find({ where: { name: ILike(containing(query.search)) }, order: { name: 'ASC' } });
  return counted(store, rows);
};

export const addOwner: Handler<'addOwner'> = async ({ store, body }) => {
  const added = await addOnce(store, OwnerRow, { ...body, version: 1 });
  const current = await oneOwner(store, body.id);
  if (!added && !isSame(current, body)) throw new Refusal('taken', `id must be new: it is that of ${current.name}`, { current });
  return current;
};

export const changeOwner: Handler<'changeOwner'> = async ({ store, params, body }) => {
  const { version, ...change } = body;
  const { affected } = await store.getRepository(OwnerRow).update({ id: params.id, version }, { ...change, version: version + 1 });
  const current = await oneOwner(store, params.id);
  if (affected === 0)
    throw new Refusal('stale', `Somebody changed this owner meanwhile: it is now ${current.name}, ${current.contact}.`, { current });
  return current;
};

async function oneOwner(store: DataSource, id: string): Promise<Owner> {
  const [owner] = await counted(store, await store.getRepository(OwnerRow).findBy({ id }));
  if (owner === undefined) throw new Refusal('unknown', 'There is no owner with that id.');
  return owner;
}

/** Owners with the number of their instruments, in one more query however many there are. */
async function counted(store: DataSource, rows: readonly OwnerRow[]): Promise<Owner[]> {
  const instruments = await store
    .getRepository(InstrumentRow)
    .find({ select: { ownerId: true }, where: { ownerId: In(rows.map(({ id }) => id)) } });
  return rows.map(({ id, name, contact, version }) => ({
    id,
    name,
    contact,
    version,
    instrumentCount: instruments.filter(({ ownerId }) => ownerId === id).length,
  }));
}
