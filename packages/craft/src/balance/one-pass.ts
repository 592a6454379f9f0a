import { cents, type Cents, type Hertz, type Metres, type Newtons, type Radians } from '../units/index.js';
import type { BridgeString, FloatingBridge, RestLengths } from './bridge.js';
import { restsFrom, settle } from './equilibrium.js';

/** To what one string is tuned while others still wait, so that all are in tune at the end. */
export interface PassStep {
  /** Zero-based. */
  string: number;
  /** Off its own pitch. */
  target: Cents;
  frequency: Hertz;
  angle: Radians;
  /** How long it is at rest then. */
  rest: Metres;
  pull: Newtons;
  /** Share of the breaking load that is left, below zero past it; null where that load is not known. */
  reserve: number | null;
  /** The same of the string that is nearest to breaking once this one is set: those that are still to come may be drawn up by it. */
  leastReserve: number | null;
}

/** Rest lengths with which all strings are in tune at this claw, wherever that puts the bridge. */
export function finalRests(bridge: FloatingBridge, claw: Metres): RestLengths {
  return restsFrom(
    bridge,
    claw,
    bridge.strings.map(({ pitch }) => pitch),
  ).rests;
}

/**
 * One pass over the strings in the given order. Each is tuned to the pitch that it has with those before it, and itself, at their final lengths and the others still at
 * their present ones: exact by moving the bridge forward step by step. A string that is off counts as put on when its turn comes. `finalClaw`: where the claw will be turned to
 * once all are set, so that it brings them home.
 */
export function onePass(
  bridge: FloatingBridge,
  claw: Metres,
  present: RestLengths,
  order: readonly number[],
  finalClaw = claw,
): PassStep[] {
  const final = finalRests(bridge, finalClaw);
  const rests = [...present];
  let angle: Radians | undefined;
  const strings = order.filter((index) => index in bridge.strings);
  return strings.map((index) => {
    const [string, rest] = [bridge.strings[index] as BridgeString, final[index] as Metres];
    rests[index] = rest;
    const balance = settle(bridge, claw, rests, angle);
    angle = balance.angle;
    const [frequency, pull] = [balance.frequencies[index] as Hertz, balance.pulls[index] as Newtons];
    const share = string.breakingLoad === null ? null : pull / string.breakingLoad;
    return {
      string: index,
      target: cents(1200 * Math.log2(frequency / string.pitch)),
      frequency,
      angle,
      rest,
      pull,
      reserve: share === null ? null : 1 - share,
      leastReserve: leastReserve(bridge, balance.pulls),
    };
  });
}

function leastReserve({ strings }: FloatingBridge, pulls: readonly Newtons[]): number | null {
  const reserves = strings.flatMap(({ breakingLoad }, index) => {
    const pull = pulls[index];
    return breakingLoad === null || pull === undefined ? [] : [1 - pull / breakingLoad];
  });
  return reserves.length === 0 ? null : Math.min(...reserves);
}
