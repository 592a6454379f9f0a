import type { Request } from 'express';
import { ipKeyGenerator, rateLimit, type Store } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import { signIn } from '@gold-peg/contract/people';
import { uuid } from '@gold-peg/contract/quantity';
import { actOf } from '../acts/index.js';
import { Refusal } from '../handling/index.js';

/** Failures that are let pass within a span of minutes, and what is said after. */
interface Limit {
  most: number;
  minutes: number;
  says: string;
  keyOf: (request: Request) => string;
}

/** Counts in the database, so that several servers count together; what ran out is swept away. */
function countingStore(database: DataSource, minutes: number): Store {
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
        [key, minutes],
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

const limit = (database: DataSource, clock: () => Date, { most, minutes, says, keyOf }: Limit) =>
  rateLimit({
    windowMs: minutes * 60_000,
    limit: most,
    skipSuccessfulRequests: true,
    // a database that was away is nobody's guess
    requestWasSuccessful: (_request, { statusCode }) => statusCode < 400 || statusCode >= 500,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    store: countingStore(database, minutes),
    keyGenerator: keyOf,
    handler: (request, _response, next) => {
      const refusal = new Refusal('too-often', `${says} Wait ${minutes} minutes, or ask the owner of the house for a new passphrase.`);
      const { used } = (request as Request & { rateLimit: { used: number } }).rateLimit;
      if (used > most + 1) return next(refusal);
      // the first one that is turned away is written down
      actOf(database, {
        at: clock(),
        personId: null,
        kind: 'too-often',
        says: `${says} From ${addressOf(request)}, for ${minutes} minutes.`,
      }).then(() => next(refusal), next);
    },
  });

const addressOf = (request: Request) => ipKeyGenerator(request.ip ?? '');
const sessionOf = (request: Request) => request.session.personId ?? addressOf(request);
const personOf = (request: Request) => {
  const read = uuid.safeParse((request.body as { personId?: unknown } | undefined)?.personId);
  return read.success ? read.data : '';
};

/** Failed sign-ins are limited for each name, as it is looked up, and for each address, since a house behind one address mistypes less often; one that succeeds does not count. */
export const signInLimits = (database: DataSource, clock: () => Date) => [
  limit(database, clock, { most: 60, minutes: 10, says: 'Too many sign-ins failed from this address.', keyOf: addressOf }),
  limit(database, clock, {
    most: 10,
    minutes: 10,
    says: 'Ten sign-ins failed.',
    keyOf: (request) => {
      const read = signIn.shape.name.safeParse((request.body as { name?: unknown } | undefined)?.name);
      return `${addressOf(request)} ${read.success ? read.data.toLowerCase() : ''}`;
    },
  }),
];

/** Who is signed in does not know the old passphrase for that: guesses at it are limited like sign-ins, and one count is kept whatever it is asked for. */
export const passphraseLimit = (database: DataSource, clock: () => Date) =>
  limit(database, clock, {
    most: 10,
    minutes: 10,
    says: 'Ten changes of the passphrase failed.',
    keyOf: (request) => `passphrase ${sessionOf(request)}`,
  });

/** A code is short: five guesses at one person's, from wherever. */
export const codeLimit = (database: DataSource, clock: () => Date) =>
  limit(database, clock, { most: 5, minutes: 15, says: 'Five codes were wrong.', keyOf: (request) => `code ${personOf(request)}` });

/** Nobody guesses a link; whoever tries is told so, and costs no more. */
export const linkLimit = (database: DataSource, clock: () => Date) =>
  limit(database, clock, { most: 10, minutes: 10, says: 'Ten links were wrong.', keyOf: (request) => `link ${addressOf(request)}` });
