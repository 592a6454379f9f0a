import { FINE_TUNERS } from '../constants/index.js';
import { cents, fromMillimetres, metres, type Cents, type Metres } from '../units/index.js';
import type { BridgeNow } from './at-bench.js';
import { settle } from './equilibrium.js';
import type { PassStep } from './one-pass.js';

/** The fine tuner of one string while the nut is clamped. */
export interface FineTuner {
  /** Turns in from its loosest end. */
  at: number;
  /** Turns that are left to let down, and to draw up. */
  left: { down: number; up: number };
  /** What a turn in changes this string by, on this bridge as it gives way. */
  centsPerTurn: Cents;
  /** How far it reaches from where the string is. */
  reach: { down: Cents; up: Cents };
}

const TURNS = FINE_TUNERS.turns.value;
const DRAWS: Metres = fromMillimetres(FINE_TUNERS.draws.value);

/** Turns in from the loosest end that leave string `index` so long at rest. Its clamp took it at the middle. */
const turnsAt = ({ nut }: BridgeNow, index: number, rest: number | null): number | null => {
  const clamped = nut.shutAt?.[index] ?? null;
  return clamped === null || rest === null ? null : TURNS / 2 + (clamped - rest) / DRAWS;
};

/** What `turns` in of the fine tuner of string `index` change it by, on this bridge as it gives way. `draws`: string that one turn draws in. */
export function tunerChange(
  { bridge, claw, rests, angle }: Pick<BridgeNow, 'bridge' | 'claw' | 'rests' | 'angle'>,
  index: number,
  turns: number,
  draws = DRAWS,
): Cents {
  const sounds = (by: number): number => {
    const drawn = rests.map((each, other) => (each === null ? null : metres(other === index ? each - by : each)));
    return settle(bridge, claw, drawn, angle).frequencies[index] ?? 0;
  };
  return cents(1200 * Math.log2(sounds(turns * draws) / sounds(0)));
}

/** Where the fine tuner of each string is and what it still does; null where the nut is open or the string off. */
export function fineTuners(now: BridgeNow): (FineTuner | null)[] {
  const { bridge, rests } = now;
  return bridge.strings.map((_, index): FineTuner | null => {
    const at = turnsAt(now, index, rests[index] ?? null);
    if (at === null) return null;
    const change = (turns: number): Cents => tunerChange(now, index, turns);
    const left = { down: at, up: TURNS - at };
    return { at, left, centsPerTurn: change(1), reach: { down: change(-left.down), up: change(left.up) } };
  });
}

/** The first string of a pass whose fine tuner does not reach its mark, and the turns that it would want beyond its end, in above zero; null where all do. */
export function beyondReach(now: BridgeNow, steps: readonly PassStep[]): { string: number; turns: number } | null {
  for (const { string, rest } of steps) {
    const turns = turnsAt(now, string, rest);
    if (turns === null) continue;
    const beyond = turns > TURNS ? turns - TURNS : Math.min(0, turns);
    if (beyond !== 0) return { string, turns: beyond };
  }
  return null;
}
