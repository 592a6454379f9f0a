import type { DataSource, EntityManager } from 'typeorm';
import type { Person, PersonOfHouse } from '@gold-peg/contract/people';
import { act } from '../acts/index.js';
import { type Handler, Refusal, refuseField, signedIn } from '../handling/index.js';
import { isSame, PassphraseLinkRow, PersonRow } from '../store/index.js';
import { hashPassphrase, insertPerson, passphraseFits, personNamed, toPerson } from './person.js';
import { newToken, tokenHash } from './tokens.js';
import { endOne, endOtherSessions, readSessions } from './sessions.js';

async function ofHouse(store: DataSource, rows: readonly PersonRow[]): Promise<PersonOfHouse[]> {
  const counts: { personId: string; n: number }[] = await store.query(
    `SELECT sess->>'personId' AS "personId", count(*)::int AS n FROM session WHERE expire > now() GROUP BY 1`,
  );
  return rows.map((row) => ({
    ...toPerson(row),
    standing: row.standing,
    hasCode: row.codeHash !== null,
    sessions: row.standing === 'works' ? (counts.find(({ personId }) => personId === row.id)?.n ?? 0) : 0,
  }));
}

async function oneOfHouse(store: DataSource, id: string): Promise<PersonOfHouse> {
  const row = await store.getRepository(PersonRow).findOneBy({ id });
  const [person] = row === null ? [] : await ofHouse(store, [row]);
  if (person === undefined) throw new Refusal('unknown', 'There is nobody with that id.');
  return person;
}

export const listPeople: Handler<'listPeople'> = async ({ store }) =>
  ofHouse(store, await store.getRepository(PersonRow).find({ order: { name: 'ASC' } }));

export const addPerson: Handler<'addPerson'> = async (asked) => {
  const { store, body } = asked;
  const added = await insertPerson(store.manager, body);
  const there = (await store.getRepository(PersonRow).findOneBy({ id: body.id })) ?? (await personNamed(store, body.name));
  if (there === null) throw new TypeError('whoever was added is there');
  const { name, role } = body;
  const again =
    !added && there.id === body.id && isSame(there, { name, role }) && (await passphraseFits(there.passphraseHash, body.passphrase));
  if (!added && !again) throw nameTaken(there);
  if (added) await act(asked, 'rights', `${name} was added as ${role}`);
  return oneOfHouse(store, there.id);
};

const nameTaken = (there: PersonRow) =>
  new Refusal('taken', `name must be new: there is a ${there.name} already`, {
    fields: [{ field: 'name', says: 'must be new' }],
    current: toPerson(there),
  });

/** What is kept of somebody at a change; their sessions end where what they may do is another from now on. */
export const changePerson: Handler<'changePerson'> = async (asked) => {
  const { store, body, params, request } = asked;
  const { version, ...wanted } = body;
  const before = await oneOfHouse(store, params.id);
  const named = await personNamed(store, body.name);
  if (named !== null && named.id !== params.id) throw nameTaken(named);
  const { affected } = await store.transaction(async (tx) => {
    // owners who take each other's rights do so one after the other
    await tx.query(`SELECT id FROM person WHERE role = 'owner' ORDER BY id FOR UPDATE`);
    if (!(await staysAnOwner(tx, params.id, wanted)))
      throw refuseField('role', 'must stay owner: nobody else could see to people and rights. Make somebody else an owner first.');
    return tx.getRepository(PersonRow).update({ id: params.id, version }, { ...wanted, version: version + 1 });
  });
  const current = await oneOfHouse(store, params.id);
  if (affected === 0) throw new Refusal('stale', 'Somebody changed this person meanwhile: look at them again.', { current });
  const changes = [
    before.name === wanted.name ? null : `is called ${wanted.name}`,
    before.role === wanted.role ? null : `${before.role} to ${wanted.role}`,
    before.standing === wanted.standing ? null : STANDS[wanted.standing],
  ].filter((each) => each !== null);
  if (changes.length > 0) await act(asked, 'rights', `${before.name}: ${changes.join(', ')}`);
  if (before.role !== wanted.role || before.standing !== wanted.standing) await endOtherSessions(store, request, params.id);
  return oneOfHouse(store, params.id);
};

const STANDS = { works: 'works here again', locked: 'is locked out', left: 'has left' } as const;

/** Whether an owner who works here is left after that. */
async function staysAnOwner(store: EntityManager, id: string, { role, standing }: { role: string; standing: string }): Promise<boolean> {
  if (role === 'owner' && standing === 'works') return true;
  const owners = await store.getRepository(PersonRow).findBy({ role: 'owner', standing: 'works' });
  return owners.some((owner) => owner.id !== id);
}

/** A link is good for so long. */
const LINK_HOURS = 24;

/** The link is shown once: what is kept of it opens nothing. */
export const makeLink: Handler<'makeLink'> = async (asked) => {
  const { store, params, now } = asked;
  const person = await oneOfHouse(store, params.id);
  const token = newToken();
  const until = new Date(now.getTime() + LINK_HOURS * 60 * 60 * 1000);
  await store.getRepository(PassphraseLinkRow).upsert({ personId: person.id, tokenHash: tokenHash(token), until }, ['personId']);
  await act(asked, 'passphrase', `a link for a new passphrase of ${person.name}, good until used or for ${LINK_HOURS} h`);
  return { path: `/new-passphrase#${token}`, until: until.toISOString() };
};

/** By the link alone: it is used up, and whoever was signed in with the old passphrase no longer is. */
export const passphraseByLink: Handler<'passphraseByLink'> = async (asked) => {
  const { store, body, now, request } = asked;
  const passphraseHash = await hashPassphrase(body.new);
  const person = await store.transaction(async (tx) => {
    const links = tx.getRepository(PassphraseLinkRow);
    const link = await links.findOneBy({ tokenHash: tokenHash(body.token) });
    const used = link === null ? 0 : (await links.delete({ personId: link.personId, tokenHash: link.tokenHash })).affected;
    if (link === null || used !== 1 || link.until < now) return null;
    await tx.getRepository(PersonRow).update({ id: link.personId }, { passphraseHash });
    return tx.getRepository(PersonRow).findOneByOrFail({ id: link.personId });
  });
  if (person === null)
    throw new Refusal(
      'wrong-sign-in',
      'This link was used already, is too old, or a newer one was made: ask the owner of the house for another.',
    );
  await endOtherSessions(store, request, person.id);
  await act({ ...asked, person: toPerson(person) }, 'passphrase', 'chose a new passphrase by a link');
  return { done: true };
};

/** The owner sees to everybody; null. */
const whoseSessions = ({ role, id }: Person) => (role === 'owner' ? null : id);

export const listSessions: Handler<'listSessions'> = (asked) => readSessions(asked.store, asked.request, whoseSessions(signedIn(asked)));

export const endSession: Handler<'endSession'> = async (asked) => {
  const whose = whoseSessions(signedIn(asked));
  const session = (await readSessions(asked.store, asked.request, whose)).find(({ id }) => id === asked.params.id);
  if (session === undefined || (await endOne(asked.store, session.id, whose)) === 0)
    throw new Refusal('unknown', 'That session has ended already.');
  await act(asked, 'sessions', `${session.person.name} signed out on ${session.device}`);
  return { done: true };
};

export const endSessions: Handler<'endSessions'> = async (asked) => {
  const own = signedIn(asked);
  if (own.role !== 'owner' && own.id !== asked.params.id) throw new Refusal('not-allowed', 'These are not your sessions.');
  const { name } = await oneOfHouse(asked.store, asked.params.id);
  const ended = await endOtherSessions(asked.store, asked.request, asked.params.id);
  await act(asked, 'sessions', `${name} signed out on ${ended} ${ended === 1 ? 'device' : 'devices'}`);
  return { done: true };
};
