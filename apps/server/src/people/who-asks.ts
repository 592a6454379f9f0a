import type { Request } from 'express';
import type { DataSource } from 'typeorm';
import type { Person } from '@gold-peg/contract/people';
import { PersonRow } from '../store/index.js';
import { toPerson } from './person.js';

declare module 'express-session' {
  interface SessionData {
    personId: string;
  }
}

/** The person whose session this is: looked up at every request, so that a role that was taken away is gone at once. */
export const whoAsks =
  (store: DataSource) =>
  async (request: Request): Promise<Person | null> => {
    const id = request.session.personId;
    if (id === undefined) return null;
    const row = await store.getRepository(PersonRow).findOneBy({ id });
    return row === null ? null : toPerson(row);
  };
