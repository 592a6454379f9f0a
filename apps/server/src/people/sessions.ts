import { promisify } from 'node:util';
import type { Request } from 'express';
import type { DataSource } from 'typeorm';

/** Channel on which every server hears that sessions have ended. */
export const SESSIONS_CHANNEL = 'sessions_ended';

const tell = (store: DataSource) => store.query('SELECT pg_notify($1, $2)', [SESSIONS_CHANNEL, '']);

/** Whether this request's session stands and is still that person's, as the database knows it now. */
export async function sessionStands(store: DataSource, request: Request, personId: string): Promise<boolean> {
  const rows: unknown[] = await store.query(`SELECT 1 FROM session WHERE sid = $1 AND expire > now() AND sess->>'personId' = $2`, [
    request.sessionID,
    personId,
  ]);
  return rows.length > 0;
}

/** Ends the session of this request, and its feeds with it. */
export async function endSession(store: DataSource, request: Request): Promise<void> {
  await promisify(request.session.destroy.bind(request.session))();
  await tell(store);
}

/** Ends all sessions of a person but this one. */
export async function endOtherSessions(store: DataSource, request: Request, personId: string): Promise<void> {
  await store.query(`DELETE FROM session WHERE sess->>'personId' = $1 AND sid <> $2`, [personId, request.sessionID]);
  await tell(store);
}
