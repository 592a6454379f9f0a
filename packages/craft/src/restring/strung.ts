import { RESTRINGING } from '../constants/index.js';
import { anchorWays } from './anchor-ways.js';
import type { Restring } from './lay-out.js';
import { flew, lostOne, noted, onPost, put, type OnBench } from './on-bench.js';
import { pullNow, toString } from './pulls.js';

/** Pulls so little that it can be moved aside with a finger. */
export function isLoose(restring: Restring, now: OnBench, index: number): boolean {
  const { pull } = toString(restring, index).plan.load;
  return pullNow(restring, now, index) < RESTRINGING.fliesFrom.value * pull;
}

/** Cut through between nut and bridge, whatever it pulls. */
export function cutThrough(restring: Restring, now: OnBench, index: number): OnBench | null {
  const string = onPost(now, index);
  if (string.at !== 'old' && string.at !== 'wound') return null;
  const figure = pullNow(restring, now, index);
  const cut = string.at === 'old' ? put(now, index, { at: 'cut' }) : lostOne(now, index, 'cut');
  return isLoose(restring, now, index) ? cut : flew(noted(cut, { string: index, kind: 'cut-under-tension', figure }));
}

/** Both ends out: what was cut, or one that hangs loose. One whose tail is cut does not reach its post a second time: it is lost. */
export function takenOff(restring: Restring, now: OnBench, index: number): OnBench | null {
  const string = onPost(now, index);
  if (string.at === 'wound' && string.trimmed) return isLoose(restring, now, index) ? lostOne(now, index, 'off') : null;
  const comes = string.at === 'cut' || ((string.at === 'old' || string.at === 'wound') && isLoose(restring, now, index));
  return comes ? put(now, index, string.at === 'wound' ? { at: 'off', bent: true } : { at: 'off' }) : null;
}

/** One end of the new one is fixed. */
export function anchored({ instrument }: Restring, now: OnBench, index: number, way: string): OnBench | null {
  const known = anchorWays(instrument.bridge.anchor).some(({ id }) => id === way);
  const string = onPost(now, index);
  return known && string.at === 'off' ? put(now, index, { ...string, at: 'anchored', anchor: way }) : null;
}

/** Strings whose tails lie under their neighbours are all anchored before one is wound. */
export function tailsLie({ instrument }: Restring, { strings }: OnBench): boolean {
  return instrument.bridge.anchor !== 'wrap-and-tuck' || strings.every(({ at }) => at === 'anchored' || at === 'wound');
}
