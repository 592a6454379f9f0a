import { hash, verify } from '@node-rs/argon2';
import type { EntityManager } from 'typeorm';
import { v7 as uuidV7 } from 'uuid';
import { DEFAULT_PREFERENCES, type Person, type Role } from '@gold-peg/contract/people';
import { PersonRow } from '../store/index.js';

export const toPerson = ({ id, name, role, preferences }: PersonRow): Person => ({
  id,
  name,
  role,
  preferences: { ...DEFAULT_PREFERENCES, ...preferences },
});

/** argon2id with the library's defaults, which follow the current OWASP advice. */
export const hashPassphrase = (passphrase: string) => hash(passphrase);
export const passphraseFits = (passphraseHash: string, passphrase: string) => verify(passphraseHash, passphrase);

export async function insertPerson(store: EntityManager, person: { name: string; role: Role; passphrase: string }): Promise<PersonRow> {
  return store.save(PersonRow, {
    id: uuidV7(),
    name: person.name,
    role: person.role,
    passphraseHash: await hashPassphrase(person.passphrase),
    preferences: DEFAULT_PREFERENCES,
  });
}
