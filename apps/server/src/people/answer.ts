import type { Request } from 'express';
import type { DataSource } from 'typeorm';
import type { Person, Session } from '@gold-peg/contract/people';
import { readDay } from '../day/index.js';
import { benchFor } from './bench.js';
import { hashPassphrase } from './person.js';

/** An unknown name costs as much time as a known one, so that names cannot be guessed by the clock. */
export const NOBODY = hashPassphrase('nobody has this passphrase');

/** Who is signed in, as the page is told. */
export async function answer(store: DataSource, request: Request, person: Person | null): Promise<Session> {
  const demoSignIn = request.app.locals['demoSignIn'] as Session['demoSignIn'];
  return {
    person,
    // a stranger has no session, and needs no token
    csrfToken: person === null ? '' : (request.csrfToken?.() ?? ''),
    byCode: request.session?.by === 'code',
    demoSignIn,
    bench: await benchFor(store, request),
    zone: (await readDay(store)).hours.zone,
  };
}
