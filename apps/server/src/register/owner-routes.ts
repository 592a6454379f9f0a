import { In, type DataSource } from 'typeorm';
import type { Owner } from '@gold-peg/contract/register';
import { type Handler, Refusal, refuseField } from '../handling/index.js';
import { addOnce, isSame, OwnerRow } from '../store/index.js';
import { countSome } from './count-some.js';
import { containing } from './search.js';

const COLUMNS = `o.id, o.name, o.contact, o.version, (SELECT count(*)::int FROM instrument WHERE owner_id = o.id) AS "instrumentCount"`;
/** Found first and sorted then: names that match may all stand at the end of the alphabet, and the planner would read it from the start. */
const FOUND = 'WITH found AS MATERIALIZED (SELECT * FROM owner WHERE lower(name) LIKE lower($1))';

export const listOwners: Handler<'listOwners'> = async ({ store, query: { search, after, limit } }) => {
  const [pattern, all] = [containing(search), containing() === containing(search)];
  const [found, from] = all ? ['', 'owner'] : [FOUND, 'found'];
  const further = after === undefined ? '' : 'AND (lower(o.name), o.id) > (SELECT lower(name), id FROM owner WHERE id = $3)';
  const parameters = [pattern, limit, ...(after === undefined ? [] : [after])];
  const [owners, count] = await Promise.all([
    store.query<Owner[]>(
      `${found} SELECT ${COLUMNS} FROM ${from} o WHERE lower(o.name) LIKE lower($1) ${further} ORDER BY lower(o.name), o.id LIMIT $2`,
      parameters,
    ),
    countSome(store, 'owner WHERE lower(name) LIKE lower($1)', [pattern]),
  ]);
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

export const mergeOwners: Handler<'mergeOwners'> = async ({ store, params, body: { version, into } }) => {
  if (into === params.id) throw refuseField('into', 'must be another owner: this is the same');
  const done = await store.transaction(async (tx) => {
    // in one order, so that two who merge each other do not wait for one another
    const both = await tx.find(OwnerRow, {
      where: { id: In([params.id, into]) },
      order: { id: 'ASC' },
      lock: { mode: 'pessimistic_write' },
    });
    const gone = both.find(({ id }) => id === params.id);
    if (gone === undefined || both.length < 2) return null;
    if (gone.version !== version) return false;
    await tx.query('UPDATE instrument SET owner_id = $2, version = version + 1 WHERE owner_id = $1', [params.id, into]);
    await tx.delete(OwnerRow, { id: params.id });
    return true;
  });
  if (done === null) throw new Refusal('unknown', 'There is no owner with that id.');
  if (!done) {
    const current = await oneOwner(store, params.id);
    throw new Refusal('stale', `Somebody changed this owner meanwhile: it is now ${current.name}, ${current.contact}.`, { current });
  }
  return oneOwner(store, into);
};

async function oneOwner(store: DataSource, id: string): Promise<Owner> {
  const [owner]: Owner[] = await store.query(`SELECT ${COLUMNS} FROM owner o WHERE o.id = $1`, [id]);
  if (owner === undefined) throw new Refusal('unknown', 'There is no owner with that id.');
  return owner;
}
