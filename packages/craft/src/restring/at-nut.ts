import { atSaddle, clamped, fineTuned, pullsOf } from '../simulated/index.js';
import { broke } from './at-peg.js';
import type { Restring } from './lay-out.js';
import { isUp, onPost, put, type OnBench, type OnPost } from './on-bench.js';
import { longerOn } from './pulls.js';

/** A locking nut is shut, and drags its strings a little, or opened; null where there is none, or it stands so. */
export function nutTurned({ instrument }: Restring, now: OnBench, shut: boolean, chance: () => number): OnBench | null {
  if (instrument.bridge.anchor !== 'double-locking' || now.nutShut === shut) return null;
  const dragged = (string: OnPost): OnPost => (isUp(string) ? { ...string, state: clamped(string.of, string.state, chance) } : string);
  return { ...now, nutShut: shut, strings: shut ? now.strings.map(dragged) : now.strings };
}

/** Its fine tuner is turned, in above zero; null where there is none, or the string does not pull. */
export function fineTunedBy(restring: Restring, now: OnBench, index: number, turns: number): OnBench | null {
  const string = onPost(now, index);
  if (restring.instrument.bridge.anchor !== 'double-locking' || !isUp(string)) return null;
  if (pullsOf(string.of, string.state).body === 0) return null;
  const state = fineTuned(atSaddle(string.of, longerOn(restring, now, index)), string.state, turns);
  return state.broken ? broke(restring, now, index) : put(now, index, { ...string, state });
}
