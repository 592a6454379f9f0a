import { ipKeyGenerator, rateLimit, type Store } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import { Refusal } from './refusal.js';

const WINDOW_MINUTES = 10;
const MOST_TRIES = 10;

/** Counts in the database, so that several servers count together. */
function countingStore(database: DataSource): Store {
  const one = async (sql: string, parameters: unknown[]): Promise<{ hits: number; resets_at: Date }[]> => database.query(sql, parameters);
  return {
    async increment(key) {
      const [row] = await one(
        `INSERT INTO sign_in_try (key, hits, resets_at) VALUES ($1, 1, now() + make_interval(mins => $2))
         ON CONFLICT (key) DO UPDATE SET
           hits = CASE WHEN sign_in_try.resets_at < now() THEN 1 ELSE sign_in_try.hits + 1 END,
           resets_at = CASE WHEN sign_in_try.resets_at < now() THEN excluded.resets_at ELSE sign_in_try.resets_at END
         RETURNING hits, resets_at`,
        [key, WINDOW_MINUTES],
      );
      return { totalHits: row?.hits ?? 1, resetTime: row?.resets_at };
    },
    async decrement(key) {
      await one('UPDATE sign_in_try SET hits = greatest(hits - 1, 0) WHERE key = $1 RETURNING hits, resets_at', [key]);
    },
    async resetKey(key) {
      await one('DELETE FROM sign_in_try WHERE key = $1 RETURNING hits, resets_at', [key]);
    },
  };
}

/** Failed sign-ins are limited per name and address; one that succeeds does not count. */
export const signInLimit = (database: DataSource) =>
  rateLimit({
    windowMs: WINDOW_MINUTES * 60_000,
    limit: MOST_TRIES,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    store: countingStore(database),
    keyGenerator: (request) =>
      `${ipKeyGenerator(request.ip ?? '')} ${String((request.body as { name?: unknown } | undefined)?.name)
        .toLowerCase()
        .slice(0, 80)}`,
    handler: (_request, _response, next) =>
      next(
        new Refusal(
          'too-often',
          `Ten sign-ins failed. Wait ${WINDOW_MINUTES} minutes, or ask the owner of the house for a new passphrase.`,
        ),
      ),
  });
