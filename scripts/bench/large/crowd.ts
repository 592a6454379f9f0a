import { fork } from 'node:child_process';
import { once } from 'node:events';
import { setTimeout as pause } from 'node:timers/promises';
import type { Heard } from './listeners.js';
import { note, send, type OpenJob, type Visitor } from './questions.js';

export const CROWD = { listening: 200, appending: 50, seconds: 40, everyMs: 2000 };

interface Shares {
  p50: number;
  p95: number;
}
export interface CrowdTold {
  appended: number;
  heard: number;
  append: Shares;
  lag: Shares;
  /** Jobs whose last event not all have heard of. */
  missed: number;
}

const sharesOf = (taken: number[]): Shares => {
  const sorted = taken.sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.floor(share * (sorted.length - 1))] ?? 0;
  return { p50: at(0.5), p95: at(0.95) };
};

const now = () => performance.timeOrigin + performance.now();

/**
 * Many browsers that listen while others append, each a step every two seconds and at its own moment. An append takes from its sending to its answer; an event lags from its
 * sending to the moment at which a browser hears of it.
 */
export async function crowd(visitors: readonly Visitor[], jobs: readonly OpenJob[]): Promise<CrowdTold> {
  const listeners = fork(new URL('listeners.ts', import.meta.url), { serialization: 'advanced' });
  listeners.send(visitors.slice(0, CROWD.listening));
  await once(listeners, 'message');
  const sent = new Map<number, { at: number; jobId: string }>();
  const appends: number[] = [];
  const until = now() + 1000 * CROWD.seconds;
  const work = async (visitor: Visitor, nth: number) => {
    const job = jobs[nth % jobs.length];
    await pause((CROWD.everyMs * nth) / CROWD.appending);
    while (now() < until) {
      const at = now();
      const [seq = 0] = await send(visitor, [note(visitor, job)]);
      const took = now() - at;
      appends.push(took);
      sent.set(seq, { at, jobId: job?.id ?? '' });
      await pause(Math.max(0, CROWD.everyMs - took));
    }
  };
  await Promise.all(visitors.slice(-CROWD.appending).map(work));
  await pause(1000); // what is still on its way
  listeners.send('enough');
  const [heard] = (await once(listeners, 'message')) as [Heard];
  listeners.kill();
  const lags = [...sent].flatMap(([seq, { at }]) => (heard.get(seq) ?? []).map((moment) => moment - at));
  const last = new Map([...sent].map(([seq, { jobId }]) => [jobId, seq]));
  return {
    appended: appends.length,
    heard: lags.length,
    missed: [...last.values()].filter((seq) => heard.get(seq)?.length !== CROWD.listening).length,
    append: sharesOf(appends),
    lag: sharesOf(lags),
  };
}

/** A device that was away for a week sends what it did, as the browser sends it: how long until all is acknowledged, s. */
export async function weekOffline(visitor: Visitor, jobs: readonly OpenJob[], events: number, batch: number): Promise<number> {
  const made = Array.from({ length: events }, (_, nth) => note(visitor, jobs[Math.floor((nth * jobs.length) / events)]));
  const began = performance.now();
  for (let from = 0; from < events; from += batch) await send(visitor, made.slice(from, from + batch));
  return (performance.now() - began) / 1000;
}
