import { FLOATING } from '../constants/index.js';
import type { Outcome } from '../outcome/index.js';
import { fromMillimetres, metres, newtons, type Metres, type Radians } from '../units/index.js';
import { edgeRise } from './at-bench.js';
import type { FloatingBridge } from './bridge.js';
import { levelClaw, type ClawProblem } from './claw.js';
import { restsFrom } from './equilibrium.js';
import { backEdge, screwLead } from './from-instrument.js';

/** What another set or tuning does to a bridge that moves, before anything is turned. */
export interface BridgeChange {
  /** Where it lies with all in tune and the claw as it was. */
  tilt: Radians;
  /** Of the back edge, over where it was. */
  rise: Metres;
  /** Of the strings over fret 12, half of what the saddles rise. */
  action: Metres;
  /** Turns of each claw screw that bring it level, in above zero, with springs as they may be; or why no place of the claw does. */
  turns: Outcome<{ low: number; likely: number; high: number }, ClawProblem | { kind: 'too-few-springs'; claw: Metres }>;
}

/** From `before`, under which it was level, to `after`. Null where springs like these did not hold the old set. */
export function bridgeChange(before: FloatingBridge, after: FloatingBridge): BridgeChange | null {
  const stood = levelClaw(before);
  if (!stood.ok) return null;
  const pitches = after.strings.map(({ pitch }) => pitch);
  const { angle } = restsFrom(after, stood.value, pitches);
  const saddle = fromMillimetres(FLOATING.saddleBehind.value);
  return { tilt: angle, rise: edgeRise(angle, backEdge), action: metres((saddle * Math.sin(angle)) / 2), turns: turnsFor(before, after) };
}

function turnsFor(before: FloatingBridge, after: FloatingBridge): BridgeChange['turns'] {
  const level = levelClaw(after);
  if (!level.ok) return level;
  const mostOut = metres(after.springs.free + fromMillimetres(FLOATING.clawTravel.value));
  if (level.value > mostOut) return { ok: false, problem: { kind: 'too-few-springs', claw: level.value } };
  const withRate = (share: number) => {
    const of = (bridge: FloatingBridge) => ({
      ...bridge,
      springs: { ...bridge.springs, rate: bridge.springs.rate * share, initial: newtons(0) },
    });
    const [from, to] = [levelClaw(of(before)), levelClaw(of(after))];
    return from.ok && to.ok ? (to.value - from.value) / screwLead : 0;
  };
  const { low, value, high } = FLOATING.springRate;
  const [few, likely, many] = [withRate(high / value), withRate(1), withRate(low / value)];
  return { ok: true, value: { low: Math.min(few, many), likely, high: Math.max(few, many) } };
}
