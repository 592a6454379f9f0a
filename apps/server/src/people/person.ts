import { hash, verify } from '@node-rs/argon2';
import type { DataSource, EntityManager } from 'typeorm';
import { DEFAULT_PREFERENCES, type Person, type Role } from '@gold-peg/contract/people';
import { addOnce, PersonRow } from '../store/index.js';

export const toPerson = ({ id, name, role, preferences, version }: PersonRow): Person => ({
  id,
  name,
  role,
  preferences: { ...DEFAULT_PREFERENCES, ...preferences },
  version,
});

/** argon2id with the library's defaults, which follow the current OWASP advice. */
export const hashPassphrase = (passphrase: string) => hash(passphrase);
export const passphraseFits = (passphraseHash: string, passphrase: string) => verify(passphraseHash, passphrase);

export interface NewPerson {
  id: string;
  name: string;
  role: Role;
  passphrase: string;
}

/** Returns whether the person is new: there is one of a name, whatever its capitals, and of an id. */
export async function insertPerson(store: EntityManager, person: NewPerson): Promise<boolean> {
  const { id, name, role, passphrase } = person;
  const passphraseHash = await hashPassphrase(passphrase);
  return addOnce(store, PersonRow, { id, name, role, passphraseHash, preferences: DEFAULT_PREFERENCES });
}

/** Whatever the capitals. */
export const personNamed = (store: DataSource, name: string) =>
  store.getRepository(PersonRow).createQueryBuilder('person').where('lower(person.name) = lower(:name)', { name }).getOne();
