import type { Request } from 'express';
import { ipKeyGenerator, rateLimit, type Store } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import { signIn } from '@gold-peg/contract/people';
import { Refusal } from '../handling/index.js';

const WINDOW_MINUTES = 10;
/** Failures of one name from one address, and of one person guessing at their old passphrase. */
const MOST_OF_A_NAME = 10;
/** Failures from one address, whatever the names: a house behind one address mistypes less often. */
const MOST_OF_AN_ADDRESS = 60;

/** Counts in the database, so that several servers count together; what ran out is swept away. */
function countingStore(database: DataSource): Store {
  const one = async (sql: string, parameters: unknown[]): Promise<{ hits: number; resets_at: Date }[]> => database.query(sql, parameters);
  return {
    async increment(key) {
      const [row] = await one(
        `WITH swept AS (DELETE FROM sign_in_try WHERE resets_at < now() AND key <> $1)
         INSERT INTO sign_in_try (key, hits, resets_at) VALUES ($1, 1, now() + make_interval(mins => $2))
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

const limit = (database: DataSource, limitTo: number, says: string, keyGenerator: (request: Request) => string) =>
  rateLimit({
    windowMs: WINDOW_MINUTES * 60_000,
    limit: limitTo,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    store: countingStore(database),
    keyGenerator,
    handler: (_request, _response, next) =>
      next(new Refusal('too-often', `${says} Wait ${WINDOW_MINUTES} minutes, or ask the owner of the house for a new passphrase.`)),
  });

const addressOf = (request: Request) => ipKeyGenerator(request.ip ?? '');

/** Failed sign-ins are limited for each name, as it is looked up, and for each address; one that succeeds does not count. */
export const signInLimits = (database: DataSource) => [
  limit(database, MOST_OF_AN_ADDRESS, 'Too many sign-ins failed from this address.', addressOf),
  limit(database, MOST_OF_A_NAME, 'Ten sign-ins failed.', (request) => {
    const read = signIn.shape.name.safeParse((request.body as { name?: unknown } | undefined)?.name);
    return `${addressOf(request)} ${read.success ? read.data.toLowerCase() : ''}`;
  }),
];

/** Who is signed in does not know the old passphrase for that: guesses at it are limited like sign-ins. */
export const passphraseLimit = (database: DataSource) =>
  limit(
    database,
    MOST_OF_A_NAME,
    'Ten changes of the passphrase failed.',
    (request) => `passphrase ${request.session.personId ?? addressOf(request)}`,
  );
