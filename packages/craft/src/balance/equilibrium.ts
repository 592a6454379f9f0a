import { ridders } from '../solve/index.js';
import { fromDegrees, newtons, radians, type Hertz, type Metres, type Newtons, type Radians } from '../units/index.js';
import {
  frequencyFor,
  pullFor,
  pullOf,
  restFor,
  speaking,
  springPull,
  springReach,
  type BridgeString,
  type FloatingBridge,
  type RestLengths,
} from './bridge.js';

/** Where the bridge comes to rest. */
export interface Balance {
  angle: Radians;
  /** The stop that it lies on. */
  contact: 'none' | 'back' | 'forward';
  /** It floats, and comes back when it is pushed. */
  stable: boolean;
  /** Zero for strings that are off or slack. */
  pulls: readonly Newtons[];
  /** Null for strings that are off. */
  frequencies: readonly (Hertz | null)[];
}

/** Steps on the way down: small ones first, for it mostly lies near, then longer ones. */
const STEP = { first: fromDegrees(0.1), grows: 1.5, most: fromDegrees(0.5) };
const EXACT = 1e-13;

/** dU/dφ, N·m: below zero the bridge is drawn toward the nut. `pullOf`: of each string at this angle, N, from how far it is then from nut to saddle. */
export function torque(
  { strings, springs }: FloatingBridge,
  claw: Metres,
  angle: Radians,
  pullOf: (index: number, length: Metres, string: BridgeString) => number,
): number {
  const spring = springReach(springs, claw, angle);
  let sum = springs.count * springPull(springs, spring.length) * spring.first;
  for (const [index, string] of strings.entries()) {
    const { length, first } = speaking(string, angle);
    sum += pullOf(index, length, string) * first;
  }
  return sum;
}

/** d²U/dφ² with every rest length as it is, N·m per rad: how hard the bridge comes back. */
export function stiffnessAt({ strings, springs }: FloatingBridge, claw: Metres, angle: Radians, rests: RestLengths): number {
  const spring = springReach(springs, claw, angle);
  const force = springPull(springs, spring.length);
  const opening = force === 0 ? 0 : springs.rate;
  return strings.reduce(
    (sum, string, index) => {
      const rest = rests[index] ?? null;
      if (rest === null) return sum;
      const { length, first, second } = speaking(string, angle);
      const pull = pullOf(string, length, rest);
      return pull === 0 ? sum : sum + (string.stiffness / rest) * first ** 2 + pull * second;
    },
    springs.count * (opening * spring.first ** 2 + force * spring.second),
  );
}

const pullsAt = ({ strings }: FloatingBridge, angle: Radians, rests: RestLengths): Newtons[] =>
  strings.map((string, index) => {
    const rest = rests[index] ?? null;
    return rest === null ? newtons(0) : pullOf(string, speaking(string, angle).length, rest);
  });

/** What holds a bridge that lies at `angle`: all strings together, and all springs, N. */
export function forcesAt(bridge: FloatingBridge, claw: Metres, angle: Radians, rests: RestLengths): { strings: Newtons; springs: Newtons } {
  const { springs } = bridge;
  return {
    strings: newtons(pullsAt(bridge, angle, rests).reduce<number>((sum, pull) => sum + pull, 0)),
    springs: newtons(springs.count * springPull(springs, springReach(springs, claw, angle).length)),
  };
}

/** Where a bridge that is let go at `from` comes to rest: downhill in energy, until something balances or it lies on a stop. */
export function settle(bridge: FloatingBridge, claw: Metres, rests: RestLengths, from: Radians = radians(0)): Balance {
  const at = (angle: number) =>
    torque(bridge, claw, radians(angle), (index, length, string) => {
      const rest = rests[index] ?? null;
      return rest === null ? 0 : pullOf(string, length, rest);
    });
  const { angle, contact } = downhill(at, from, bridge.stops);
  const pulls = pullsAt(bridge, angle, rests);
  return {
    angle,
    contact,
    stable: contact === 'none' && stiffnessAt(bridge, claw, angle, rests) > 0,
    pulls,
    frequencies: bridge.strings.map((string, index) =>
      (rests[index] ?? null) === null ? null : frequencyFor(string, speaking(string, angle).length, pulls[index] ?? newtons(0)),
    ),
  };
}

/** What is known of a string: how it sounds now, or how long it is without pull; null for one that is off. */
export type Known = { sounds: Hertz } | { rest: Metres } | null;

/**
 * Where the bridge lies and how long each string is at rest, from what is known of each: of some how they sound at this very moment, of others how long they are. One
 * angle fits both, wherever those pulls put the bridge.
 */
export function restsWhere(
  bridge: FloatingBridge,
  claw: Metres,
  known: readonly Known[],
  from: Radians = radians(0),
): { angle: Radians; rests: RestLengths } {
  const pullAt = (index: number, length: Metres, string: BridgeString): Newtons => {
    const of = known[index] ?? null;
    if (of === null) return newtons(0);
    return 'rest' in of ? pullOf(string, length, of.rest) : pullFor(string, length, of.sounds);
  };
  const { angle } = downhill((each) => torque(bridge, claw, radians(each), pullAt), from, bridge.stops);
  const rests = bridge.strings.map((string, index) => {
    const of = known[index] ?? null;
    if (of === null) return null;
    if ('rest' in of) return of.rest;
    const { length } = speaking(string, angle);
    return restFor(string, length, pullAt(index, length, string));
  });
  return { angle, rests };
}

/** How long each string is at rest, from what is heard of it now; null for a string that is off. The bridge lies wherever those pulls put it. */
export const restsFrom = (
  bridge: FloatingBridge,
  claw: Metres,
  heard: readonly (Hertz | null)[],
  from?: Radians,
): { angle: Radians; rests: RestLengths } =>
  restsWhere(
    bridge,
    claw,
    heard.map((sounds) => (sounds === null ? null : { sounds })),
    from,
  );

/** Rest lengths once one string is tuned so that it sounds `frequency` where the bridge then comes to rest; the others stay as long as they are. */
export const tunedTo = (
  bridge: FloatingBridge,
  claw: Metres,
  rests: RestLengths,
  { string, sounds }: { string: number; sounds: Hertz },
  from?: Radians,
): { angle: Radians; rests: RestLengths } =>
  restsWhere(
    bridge,
    claw,
    rests.map((rest, index) => (index === string ? { sounds } : rest === null ? null : { rest })),
    from,
  );

/** Where a bridge comes to rest under strings that pull as `pullOf` says at each angle, when it is let go at `from`. */
export const restingAngle = (
  bridge: FloatingBridge,
  claw: Metres,
  pullOf: (index: number, length: Metres) => number,
  from: Radians,
): Radians => downhill((angle) => torque(bridge, claw, radians(angle), pullOf), from, bridge.stops).angle;

/** The first angle on the way down where `slope` changes sign, or the stop. */
function downhill(slope: (angle: number) => number, from: Radians, stops: FloatingBridge['stops']): Pick<Balance, 'angle' | 'contact'> {
  const start = slope(from);
  if (start === 0) return { angle: from, contact: 'none' };
  const forward = start < 0;
  const stop = forward ? stops.forward : stops.back;
  let near: number = from;
  let step: number = STEP.first;
  while (near !== stop) {
    const far: number = forward ? Math.min(stop, near + step) : Math.max(stop, near - step);
    step = Math.min(STEP.most, step * STEP.grows);
    if (Math.sign(slope(far)) !== Math.sign(start)) {
      const root = ridders(slope, Math.min(near, far), Math.max(near, far), EXACT);
      return { angle: radians(root.kind === 'root' ? root.x : far), contact: 'none' };
    }
    near = far;
  }
  return { angle: stop, contact: forward ? 'forward' : 'back' };
}

/** What every string pulls at its pitch on a level bridge. */
export const levelPulls = ({ strings }: FloatingBridge): Newtons[] =>
  strings.map((string) => pullFor(string, string.scaleLength, string.pitch));

/** Rest lengths of strings that are in tune on a level bridge. */
export const levelRests = (bridge: FloatingBridge): Metres[] =>
  bridge.strings.map((string) => restFor(string, string.scaleLength, pullFor(string, string.scaleLength, string.pitch)));
