import { insertJob, nextOf, promises, replanQuietly } from '@gold-peg/craft/day';
import type { DayQuestion, DayReply } from './planner';

/** The same rack has the same chances. */
const SEED = 1;
const DRAWS = 2000;
/** While it gets better it is shown no more often than that, ms. */
const SHOWN_MS = 100;

const clock = (limitMs: number) => {
  const from = performance.now();
  return () => performance.now() - from < limitMs;
};

function plan({ asked, rack, inForce, timeLimitMs, correction }: DayQuestion): DayReply {
  if (asked !== undefined) {
    const inserted = insertJob(rack, asked, {
      seed: SEED,
      iterations: null,
      clock: () => clock(timeLimitMs / 2),
      draws: DRAWS,
      inForce,
      correction,
    });
    return { kind: 'inserted', inserted };
  }
  const begun = performance.now();
  const goesOn = clock(timeLimitMs);
  let shown = -Infinity; // the first is there at once
  const planned = replanQuietly(rack, inForce, {
    seed: SEED,
    iterations: null,
    goesOn,
    better: (operations) => {
      const now = performance.now();
      if (now - shown < SHOWN_MS) return;
      shown = now;
      postMessage({ kind: 'better', plan: operations, share: (now - begun) / timeLimitMs } satisfies DayReply);
    },
  });
  return {
    kind: 'planned',
    plan: planned,
    promises: promises(rack, planned, { draws: DRAWS, seed: SEED, correction }),
    next: nextOf(rack, planned),
  };
}

addEventListener('message', ({ data }: MessageEvent<DayQuestion>) => postMessage(plan(data)));
