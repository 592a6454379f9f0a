import { promisify } from 'node:util';
import type { Request } from 'express';
import type { Person, Session } from '@gold-peg/contract/people';
import { DEMO_SIGN_IN } from '../demo/people.js';
import { signedIn, type Handler } from '../http/handler.js';
import { Refusal } from '../http/refusal.js';
import { PersonRow } from '../store/index.js';
import { hashPassphrase, insertPerson, passphraseFits, toPerson } from './person.js';

export const health: Handler<'health'> = async ({ store }) => {
  await store.query('SELECT 1');
  return { done: true };
};

export const session: Handler<'session'> = async ({ request, person }) => answer(request, person);

export const signIn: Handler<'signIn'> = async ({ store, body, request }) => {
  const row = await store
    .getRepository(PersonRow)
    .createQueryBuilder('person')
    .where('lower(person.name) = lower(:name)', { name: body.name })
    .getOne();
  // an unknown name costs as much time as a known one, so that names cannot be guessed by the clock
  const fits = await passphraseFits(row?.passphraseHash ?? (await NOBODY), body.passphrase);
  if (row === null || !fits)
    throw new Refusal('wrong-sign-in', 'Name and passphrase do not go together. Capital letters count in the passphrase.');
  await promisify(request.session.regenerate.bind(request.session))();
  request.session.personId = row.id;
  return answer(request, toPerson(row));
};
const NOBODY = hashPassphrase('nobody has this passphrase');

export const signOut: Handler<'signOut'> = async ({ request }) => {
  await promisify(request.session.regenerate.bind(request.session))();
  return answer(request, null);
};

function answer(request: Request, person: Person | null): Session {
  const demo = request.app.locals['demo'] === true;
  return { person, csrfToken: request.csrfToken?.() ?? '', demoSignIn: demo ? DEMO_SIGN_IN : null };
}

export const savePreferences: Handler<'savePreferences'> = async (asked) => {
  const person = signedIn(asked);
  await asked.store.getRepository(PersonRow).update({ id: person.id }, { preferences: asked.body });
  return { ...person, preferences: asked.body };
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
  return { done: true };
};

export const listPeople: Handler<'listPeople'> = async ({ store }) =>
  (await store.getRepository(PersonRow).find({ order: { name: 'ASC' } })).map(toPerson);

export const addPerson: Handler<'addPerson'> = async ({ store, body }) => {
  const same = await store
    .getRepository(PersonRow)
    .createQueryBuilder('person')
    .where('lower(person.name) = lower(:name)', { name: body.name })
    .getExists();
  if (same)
    throw new Refusal('taken', `name must be new: there is a ${body.name} already`, { fields: [{ field: 'name', says: 'must be new' }] });
  return toPerson(await insertPerson(store.manager, body));
};
