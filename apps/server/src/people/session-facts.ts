import Bowser from 'bowser';
import type { Request } from 'express';

declare module 'express-session' {
  interface SessionData {
    personId: string;
    /** By what somebody signed in, where, and when: no session outlives `LONGEST_DAYS` from then. */
    by: 'passphrase' | 'code';
    device: string;
    signedInAt: string;
  }
}

/** However often it is used, a session ends after so long. */
export const LONGEST_DAYS = 14;
/** One by code ends when the bench was left for so long. */
const CODE_IDLE_MS = 60 * 60 * 1000;

/** Begins a session of its own for who has just shown who they are: an id that was planted before is worth nothing. */
export async function beginSession(
  request: Request,
  { personId, by, device }: { personId: string; by: 'passphrase' | 'code'; device: string | null },
): Promise<void> {
  await new Promise<void>((done, fail) => request.session.regenerate((error: unknown) => (error == null ? done() : fail(error as Error))));
  Object.assign(request.session, { personId, by, device: device ?? browserOf(request), signedInAt: new Date().toISOString() });
  if (by === 'code') request.session.cookie.maxAge = CODE_IDLE_MS;
}

/** "Chromium on Linux": what a browser says of itself, as far as anybody knows it. */
export function browserOf(request: Request): string {
  const { browser, os } = Bowser.parse(request.get('user-agent') || 'unknown');
  return [browser.name ?? 'something', os.name ?? 'some system'].join(' on ').slice(0, 60);
}
