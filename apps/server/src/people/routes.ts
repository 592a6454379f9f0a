import { promisify } from 'node:util';
import type { Request } from 'express';
import type { DataSource } from 'typeorm';
import type { Person, Session } from '@gold-peg/contract/people';
import { type Handler, Refusal, signedIn } from '../handling/index.js';
import { isSame, PersonRow } from '../store/index.js';
import { endOtherSessions, endSession } from './sessions.js';
import { hashPassphrase, insertPerson, passphraseFits, toPerson } from './person.js';

export const health: Handler<'health'> = () => Promise.resolve({ done: true });

export const ready: Handler<'ready'> = async ({ store }) => {
  await store.query('SELECT 1');
  if (await store.showMigrations()) throw new Refusal('store-away', 'The database is not up to date yet: migrations wait.');
  return { done: true };
};

export const session: Handler<'session'> = async ({ request, person }) => answer(request, person);

export const signIn: Handler<'signIn'> = async ({ store, body, request }) => {
  const row = await personNamed(store, body.name);
  // an unknown name costs as much time as a known one, so that names cannot be guessed by the clock
  const fits = await passphraseFits(row?.passphraseHash ?? (await NOBODY), body.passphrase);
  if (row === null || !fits)
    throw new Refusal('wrong-sign-in', 'Name and passphrase do not go together. Capital letters count in the passphrase.');
  await promisify(request.session.regenerate.bind(request.session))();
  request.session.personId = row.id;
  return answer(request, toPerson(row));
};
const NOBODY = hashPassphrase('nobody has this passphrase');

export const signOut: Handler<'signOut'> = async ({ store, request, person }) => {
  if (person !== null) await endSession(store, request);
  return answer(request, null);
};

function answer(request: Request, person: Person | null): Session {
  const demoSignIn = request.app.locals['demoSignIn'] as Session['demoSignIn'];
  // a stranger has no session, and needs no token
  return { person, csrfToken: person === null ? '' : (request.csrfToken?.() ?? ''), demoSignIn };
}

export const savePreferences: Handler<'savePreferences'> = async (asked) => {
  const { id } = signedIn(asked);
  const { version, preferences } = asked.body;
  const people = asked.store.getRepository(PersonRow);
  const { affected } = await people.update({ id, version }, { preferences, version: version + 1 });
  const current = toPerson(await people.findOneByOrFail({ id }));
  if (affected === 0) throw new Refusal('stale', 'You changed your preferences elsewhere meanwhile.', { current });
  return current;
};

export const changePassphrase: Handler<'changePassphrase'> = async (asked) => {
  const people = asked.store.getRepository(PersonRow);
  const row = await people.findOneByOrFail({ id: signedIn(asked).id });
  if (!(await passphraseFits(row.passphraseHash, asked.body.old))) {
    throw new Refusal('invalid', 'old is not your present passphrase', {
      fields: [{ field: 'old', says: 'is not your present passphrase' }],
    });
  }
  await people.update({ id: row.id }, { passphraseHash: await hashPassphrase(asked.body.new) });
  await endOtherSessions(asked.store, asked.request, row.id);
  return { done: true };
};

export const listPeople: Handler<'listPeople'> = async ({ store }) =>
  (await store.getRepository(PersonRow).find({ order: { name: 'ASC' } })).map(toPerson);

export const listNames: Handler<'listNames'> = ({ store }) =>
  store.getRepository(PersonRow).find({ select: { id: true, name: true }, order: { name: 'ASC' } });

export const addPerson: Handler<'addPerson'> = async ({ store, body }) => {
  const added = await insertPerson(store.manager, body);
  const people = store.getRepository(PersonRow);
  const there = (await people.findOneBy({ id: body.id })) ?? (await personNamed(store, body.name));
  if (there === null) throw new TypeError('whoever was added is there');
  const { name, role } = body;
  const again =
    !added && there.id === body.id && isSame(there, { name, role }) && (await passphraseFits(there.passphraseHash, body.passphrase));
  if (!added && !again) {
    const current = toPerson(there);
    throw new Refusal('taken', `name must be new: there is a ${there.name} already`, {
      fields: [{ field: 'name', says: 'must be new' }],
      current,
    });
  }
  return toPerson(there);
};

/** Whatever the capitals. */
const personNamed = (store: DataSource, name: string) =>
  store.getRepository(PersonRow).createQueryBuilder('person').where('lower(person.name) = lower(:name)', { name }).getOne();
