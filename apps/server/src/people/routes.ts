import { act } from '../acts/index.js';
import { type Handler, Refusal, refuseField, signedIn } from '../handling/index.js';
import { PersonRow } from '../store/index.js';
import { answer, NOBODY } from './answer.js';
import { hashPassphrase, passphraseFits, personNamed, toPerson } from './person.js';
import { beginSession, browserOf } from './session-facts.js';
import { endOtherSessions, endSession } from './sessions.js';

export const health: Handler<'health'> = () => Promise.resolve({ done: true });

export const ready: Handler<'ready'> = async ({ store }) => {
  await store.query('SELECT 1');
  if (await store.showMigrations()) throw new Refusal('store-away', 'The database is not up to date yet: migrations wait.');
  return { done: true };
};

export const session: Handler<'session'> = ({ store, request, person }) => answer(store, request, person);

export const signIn: Handler<'signIn'> = async (asked) => {
  const { store, body, request } = asked;
  const row = await personNamed(store, body.name);
  const fits = await passphraseFits(row?.passphraseHash ?? (await NOBODY), body.passphrase);
  if (row === null || !fits) {
    await act(
      { ...asked, person: row === null ? null : toPerson(row) },
      'sign-in-failed',
      `a wrong ${row === null ? 'name' : 'passphrase'}, ${browserOf(request)}`,
    );
    throw new Refusal('wrong-sign-in', 'Name and passphrase do not go together. Capital letters count in the passphrase.');
  }
  if (row.standing !== 'works') throw new Refusal('not-allowed', 'You cannot sign in here any more: ask the owner of the house.');
  const person = toPerson(row);
  await beginSession(request, { personId: row.id, by: 'passphrase', device: null });
  await act({ ...asked, person }, 'signed-in', browserOf(request));
  return answer(store, request, person);
};

export const signOut: Handler<'signOut'> = async (asked) => {
  const { store, request, person } = asked;
  if (person !== null) {
    await act(asked, 'signed-out', request.session.device ?? browserOf(request));
    await endSession(store, request);
  }
  return answer(store, request, null);
};

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
    throw refuseField('old', 'is not your present passphrase');
  }
  await people.update({ id: row.id }, { passphraseHash: await hashPassphrase(asked.body.new) });
  await endOtherSessions(asked.store, asked.request, row.id);
  await act(asked, 'passphrase', 'chose a new passphrase');
  return { done: true };
};

export const listNames: Handler<'listNames'> = ({ store }) =>
  store.getRepository(PersonRow).find({ select: { id: true, name: true }, order: { name: 'ASC' } });
