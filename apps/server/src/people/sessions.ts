import { promisify } from 'node:util';
import type { Request } from 'express';
import type { OpenSession } from '@gold-peg/contract/people';
import type { DataSource } from 'typeorm';
import { LONGEST_DAYS } from './session-facts.js';

/** Channel on which every server hears that sessions have ended. */
export const SESSIONS_CHANNEL = 'sessions_ended';

const tell = (store: DataSource) => store.query('SELECT pg_notify($1, $2)', [SESSIONS_CHANNEL, '']);

/** Whether this request's session stands and is still that person's, as the database knows it now. */
export async function sessionStands(store: DataSource, request: Request, personId: string): Promise<boolean> {
  const rows: unknown[] = await store.query(
    `SELECT 1 FROM session s JOIN person p ON p.id::text = s.sess->>'personId' AND p.standing = 'works'
     WHERE sid = $1 AND expire > now() AND sess->>'personId' = $2 AND (sess->>'signedInAt')::timestamptz > now() - interval '${LONGEST_DAYS} days'`,
    [request.sessionID, personId],
  );
  return rows.length > 0;
}

/** Ends the session of this request, and its feeds with it. */
export async function endSession(store: DataSource, request: Request): Promise<void> {
  await promisify(request.session.destroy.bind(request.session))();
  await tell(store);
}

/** Ends all sessions of a person but this one; returns how many ended. */
export async function endOtherSessions(store: DataSource, request: Request, personId: string): Promise<number> {
  return end(store, `sess->>'personId' = $1 AND sid <> $2`, [personId, request.sessionID]);
}

/** Sessions as the database has them: their ids are nobody's business, only what is made of them. */
const PUBLIC_ID = `encode(sha256(sid::bytea), 'hex')`;

/** Ends the session of that public id, where it is that person's; of whoever it is where that is null. */
export const endOne = (store: DataSource, id: string, personId: string | null): Promise<number> =>
  end(store, `${PUBLIC_ID} = $1 AND ($2::text IS NULL OR sess->>'personId' = $2)`, [id, personId]);

/** Ends all sessions by code on the device of that name. */
export const endByCode = (store: DataSource, device: string): Promise<number> =>
  end(store, `sess->>'by' = 'code' AND sess->>'device' = $1`, [device]);

async function end(store: DataSource, where: string, values: unknown[]): Promise<number> {
  const [, ended] = (await store.query(`DELETE FROM session WHERE ${where}`, values)) as [unknown, number];
  if (ended > 0) await tell(store);
  return ended;
}

/** Where people are signed in, latest first; of one person, or of all where that is null. */
export async function readSessions(store: DataSource, request: Request, personId: string | null): Promise<OpenSession[]> {
  const rows: { id: string; sid: string; personId: string; name: string; device: string; by: string; since: string; seen: Date }[] =
    await store.query(
      `SELECT ${PUBLIC_ID} AS id, s.sid, p.id AS "personId", p.name, s.sess->>'device' AS device, s.sess->>'by' AS by, s.sess->>'signedInAt' AS since,
         s.expire::timestamptz - make_interval(secs => (s.sess->'cookie'->>'originalMaxAge')::numeric / 1000.0) AS seen
       FROM session s JOIN person p ON p.id::text = s.sess->>'personId' AND p.standing = 'works'
       WHERE s.expire > now() AND (s.sess->>'signedInAt')::timestamptz > now() - interval '${LONGEST_DAYS} days' AND ($1::text IS NULL OR p.id::text = $1)
       ORDER BY seen DESC`,
      [personId],
    );
  return rows.map(({ id, sid, personId: whose, name, device, by, since, seen }) => ({
    id,
    person: { id: whose, name },
    device,
    byCode: by === 'code',
    since,
    seen: seen.toISOString(),
    own: sid === request.sessionID,
  }));
}
