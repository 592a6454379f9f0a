import { FLOATING } from '../constants/index.js';
import type { Outcome } from '../outcome/index.js';
import { fromMillimetres, metres, newtons, radians, type Hertz, type Metres, type Radians } from '../units/index.js';
import { edgeRise } from './at-bench.js';
import type { FloatingBridge } from './bridge.js';
import { levelClaw, type ClawProblem } from './claw.js';
import { restsFrom } from './equilibrium.js';
import { backEdge, screwLead } from './from-instrument.js';

/** What another set or tuning does to a bridge that moves, before anything is turned. */
export interface BridgeChange {
  /** Where it lies with all in tune and the claw as it was. */
  tilt: Radians;
  /** The same with springs as stiff and as soft as they may be: the nearer to level, and the farther. */
  tilts: { least: Radians; most: Radians };
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
  const angle = tiltUnder(before, after, pitches) ?? radians(0);
  const { low, value, high } = FLOATING.springRate;
  const may = [low / value, high / value].map((share) => tiltUnder(withRate(before, share), withRate(after, share), pitches) ?? angle);
  const [least, most] = [...may, angle].sort((a, b) => Math.abs(a) - Math.abs(b)).filter((_, place) => place !== 1);
  const saddle = fromMillimetres(FLOATING.saddleBehind.value);
  return {
    tilt: angle,
    tilts: { least: least ?? angle, most: most ?? angle },
    rise: edgeRise(angle, backEdge),
    action: metres((saddle * Math.sin(angle)) / 2),
    turns: turnsFor(before, after),
  };
}

/** Springs of so many times this rate, whose coils open at once: the same pull at more stretch, or less. */
const withRate = (bridge: FloatingBridge, share: number): FloatingBridge => ({
  ...bridge,
  springs: { ...bridge.springs, rate: bridge.springs.rate * share, initial: newtons(0) },
});

/** Where `after` lies with all in tune and the claw where `before` was level; null where that never was. */
function tiltUnder(before: FloatingBridge, after: FloatingBridge, pitches: readonly Hertz[]): Radians | null {
  const stood = levelClaw(before);
  return stood.ok ? restsFrom(after, stood.value, pitches).angle : null;
}

function turnsFor(before: FloatingBridge, after: FloatingBridge): BridgeChange['turns'] {
  const level = levelClaw(after);
  if (!level.ok) return level;
  const mostOut = metres(after.springs.free + fromMillimetres(FLOATING.clawTravel.value));
  if (level.value > mostOut) return { ok: false, problem: { kind: 'too-few-springs', claw: level.value } };
  const turnsAt = (share: number) => {
    const [from, to] = [levelClaw(withRate(before, share)), levelClaw(withRate(after, share))];
    return from.ok && to.ok ? (to.value - from.value) / screwLead : 0;
  };
  const { low, value, high } = FLOATING.springRate;
  const [few, likely, many] = [turnsAt(high / value), turnsAt(1), turnsAt(low / value)];
  return { ok: true, value: { low: Math.min(few, many), likely, high: Math.max(few, many) } };
}
