import type { Store } from 'express-session';

/** A session lives for a working day from when it was used last; to the minute is near enough. */
const TOUCH_MS = 60_000;
/** Sessions remembered at most; forgetting one writes it once more. */
const MOST = 10_000;

/** Writes that a session was used once a minute, not at every request: each would wait for the disk. */
export function touchedNowAndThen<T extends Store>(store: T): T {
  const touched = new Map<string, number>();
  const touch = store.touch?.bind(store);
  store.touch = (sid, session, done) => {
    const now = Date.now();
    if (now - (touched.get(sid) ?? 0) < TOUCH_MS) return done?.();
    if (touched.size >= MOST) touched.clear();
    touched.set(sid, now);
    touch?.(sid, session, done);
  };
  return store;
}
