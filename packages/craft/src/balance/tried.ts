import { done, type Outcome } from '../outcome/index.js';
import { metres, type Hertz, type Metres } from '../units/index.js';
import { bridgeNow, type BridgeHappening, type BridgeNow } from './at-bench.js';
import type { FloatingBridge } from './bridge.js';
import { levelClaw, type ClawProblem } from './claw.js';

/** What is tried on a bridge, nothing of it done. */
export interface BridgeTried {
  springs: number;
  /** Of the claw from where it was level, in above zero. */
  travel: Metres;
  /** Pegs that are turned: strings, zero-based, and what they sound then. */
  pitches: readonly { string: number; sounds: Hertz }[];
  /** All strings are tuned to their notes after springs and claw; before them they were, and moved with the bridge since. */
  tunedAgain: boolean;
}

/** A bridge that was level under `before`, with `after` strung and tuned on it, once all that was done. Refused where so many springs never held `before` level. */
export function tryBridge(
  before: FloatingBridge,
  after: FloatingBridge,
  { springs, travel, pitches, tunedAgain }: BridgeTried,
): Outcome<BridgeNow, ClawProblem> {
  const level = levelClaw(before);
  if (!level.ok) return level;
  const pegs = pitches.map(({ string, sounds }): BridgeHappening => ({ kind: 'set', string, sounds, pass: null }));
  if (tunedAgain) {
    const other = { ...after, springs: { ...after.springs, count: springs } };
    return done(bridgeNow(other, metres(level.value + travel), pegs));
  }
  const hooked: BridgeHappening[] = springs === after.springs.count ? [] : [{ kind: 'springs', count: springs }];
  const turned: BridgeHappening[] = travel === 0 ? [] : [{ kind: 'claw', travel }];
  return done(bridgeNow(after, level.value, [...hooked, ...turned, ...pegs]));
}
