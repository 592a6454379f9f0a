import { createHash, randomBytes } from 'node:crypto';

/** A secret of 256 bits, as it goes into a link or a cookie. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What is kept of it: nobody guesses 256 bits, so that a plain hash is enough. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');
