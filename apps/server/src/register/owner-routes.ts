import type { DataSource } from 'typeorm';
import type { Owner } from '@gold-peg/contract/register';
import type { Handler } from '../http/handler.js';
import { Refusal } from '../http/refusal.js';
import { addOnce, isSame, OwnerRow } from '../store/index.js';
import { countSome } from './count-some.js';
import { containing } from './search.js';

const OWNERS = `SELECT o.id, o.name, o.contact, o.version, (SELECT count(*)::int FROM instrument WHERE owner_id = o.id) AS "instrumentCount" FROM owner o`;

export const listOwners: Handler<'listOwners'> = async ({ store, query: { search, after, limit } }) => {
  const found = 'lower(name) LIKE lower($1)';
  const from = after === undefined ? '' : 'AND (lower(name), id) > (SELECT lower(name), id FROM owner WHERE id = $3)';
  const parameters = [containing(search), limit, ...(after === undefined ? [] : [after])];
  const owners: Owner[] = await store.query(`${OWNERS} WHERE ${found} ${from} ORDER BY lower(name), id LIMIT $2`, parameters);
  const count = await countSome(store, `owner WHERE ${found}`, [containing(search)]);
  return { owners, next: owners.length < limit ? null : (owners.at(-1)?.id ?? null), count };
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
  const [owner]: Owner[] = await store.query(`${OWNERS} WHERE o.id = $1`, [id]);
  if (owner === undefined) throw new Refusal('unknown', 'There is no owner with that id.');
  return owner;
}
