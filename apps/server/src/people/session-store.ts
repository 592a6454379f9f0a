import connectPgSimple from 'connect-pg-simple';
import type { Request } from 'express';
import session, { type SessionData } from 'express-session';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import type { Person } from '@gold-peg/contract/people';
import type { PersonRow } from '../store/index.js';
import { toPerson } from './person.js';
import { LONGEST_DAYS } from './session-facts.js';

/** A session as it is read: with its person, as the database knows them now. */
interface Found extends SessionData {
  person?: Person | null;
}
type Row = { sess: SessionData } & PersonRow;

const PERSONS = new WeakMap<Request, Person | null>();

/** The person whose session this is: looked up at every request, so that a role that was taken away is gone at once. */
export const whoAsks = (request: Request): Person | null => PERSONS.get(request) ?? null;

/** A session lives for a working day from when it was used last; to a few minutes is near enough. */
const TOUCH_MS = 5 * 60_000;
/** Sessions remembered at most; forgetting one writes it once more. */
const MOST = 10_000;

/** Who is locked out or has left has no session any more, whatever their browser still sends. */
const SESSION_AND_PERSON = `SELECT s.sess, p.id, p.name, p.role, p.preferences, p.version FROM session s
  JOIN person p ON p.id = (s.sess->>'personId')::uuid AND p.standing = 'works'
  WHERE s.sid = $1 AND s.expire >= now() AND (s.sess->>'signedInAt')::timestamptz > now() - interval '${LONGEST_DAYS} days'`;

/**
 * Sessions in PostgreSQL. A session and its person are one question; that it was used is written every few minutes, not at every request: each would
 * wait for the disk.
 */
export function sessionStore(pool: Pool, log: Logger): session.Store {
  const PgStore = connectPgSimple(session);
  const touched = new Map<string, number>();

  class SessionStore extends PgStore {
    override get(sid: string, done: (error: unknown, found?: Found | null) => void): void {
      pool.query<Row>(SESSION_AND_PERSON, [sid]).then(({ rows: [row] }) => done(null, row === undefined ? null : found(row)), done);
    }

    override createSession(request: Request, data: Found): session.Session & SessionData {
      PERSONS.set(request, data.person ?? null);
      delete data.person; // from this very object: the session would pass for changed, and be written at every request
      return super.createSession(request, data);
    }

    /** What was asked for is answered by now: where this cannot be written nobody has to hear of it, and the next request writes it. */
    override touch(sid: string, data: SessionData, done?: () => void): void {
      if (Date.now() - (touched.get(sid) ?? 0) < TOUCH_MS) return done?.();
      this.wasUsed(sid);
      super.touch(sid, data, (error?: unknown) => {
        if (error != null) {
          touched.delete(sid);
          log.warn({ err: error }, 'that a session was used could not be written');
        }
        done?.();
      });
    }

    override set(sid: string, data: SessionData, done?: (error?: unknown) => void): void {
      this.wasUsed(sid);
      super.set(sid, data, done);
    }

    private wasUsed(sid: string): void {
      if (touched.size >= MOST) touched.clear();
      touched.set(sid, Date.now());
    }
  }
  return new SessionStore({ pool, tableName: 'session', errorLog: (...what) => log.warn({ what }, 'session store') });
}

const found = (row: Row): Found => ({ ...row.sess, person: toPerson(row) });
