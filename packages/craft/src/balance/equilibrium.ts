import { bisect } from '../solve/index.js';
import { fromDegrees, newtons, radians, type Hertz, type Metres, type Newtons, type Radians } from '../units/index.js';
import {
  frequencyFor,
  pullFor,
  pullOf,
  restFor,
  speaking,
  springPull,
  springReach,
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

const STEP = fromDegrees(0.1);
const EXACT = 1e-13;

/** dU/dφ, N·m: below zero the bridge is drawn toward the nut. `pulls` at this angle. */
export function torque({ strings, springs }: FloatingBridge, claw: Metres, angle: Radians, pulls: readonly number[]): number {
  const { length, first } = springReach(springs, claw, angle);
  const byStrings = strings.reduce((sum, string, index) => sum + (pulls[index] ?? 0) * speaking(string, angle).first, 0);
  return byStrings + springs.count * springPull(springs, length) * first;
}

/** d²U/dφ² with every rest length as it is, N·m per rad: how hard the bridge comes back. */
export function stiffnessAt({ strings, springs }: FloatingBridge, claw: Metres, angle: Radians, rests: RestLengths): number {
  const spring = springReach(springs, claw, angle);
  const force = springPull(springs, spring.length);
  const opening = force === 0 ? 0 : springs.rate;
  return strings.reduce(
    (sum, string, index) => {
      const rest = rests[index] ?? null;
      const { length, first, second } = speaking(string, angle);
      const pull = rest === null ? 0 : pullOf(string, length, rest);
      return pull === 0 || rest === null ? sum : sum + (string.stiffness / rest) * first ** 2 + pull * second;
    },
    springs.count * (opening * spring.first ** 2 + force * spring.second),
  );
}

const pullsAt = ({ strings }: FloatingBridge, angle: Radians, rests: RestLengths): Newtons[] =>
  strings.map((string, index) => {
    const rest = rests[index] ?? null;
    return rest === null ? newtons(0) : pullOf(string, speaking(string, angle).length, rest);
  });

/** Where a bridge that is let go at `from` comes to rest: downhill in energy, until something balances or it lies on a stop. */
export function settle(bridge: FloatingBridge, claw: Metres, rests: RestLengths, from: Radians = radians(0)): Balance {
  const at = (angle: number) => torque(bridge, claw, radians(angle), pullsAt(bridge, radians(angle), rests));
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

/** How long each string is at rest, from what is heard of it now; null for a string that is off. The bridge lies wherever those pulls put it. */
export function restsFrom(bridge: FloatingBridge, claw: Metres, heard: readonly (Hertz | null)[]): { angle: Radians; rests: RestLengths } {
  const pulls = (angle: Radians) =>
    bridge.strings.map((string, index) => {
      const frequency = heard[index] ?? null;
      return frequency === null ? newtons(0) : pullFor(string, speaking(string, angle).length, frequency);
    });
  const { angle } = downhill((each) => torque(bridge, claw, radians(each), pulls(radians(each))), radians(0), bridge.stops);
  const rests = pulls(angle).map((pull, index) => {
    const string = bridge.strings[index];
    return string === undefined || (heard[index] ?? null) === null ? null : restFor(string, speaking(string, angle).length, pull);
  });
  return { angle, rests };
}

/** The first angle on the way down where `slope` changes sign, or the stop. */
function downhill(slope: (angle: number) => number, from: Radians, stops: FloatingBridge['stops']): Pick<Balance, 'angle' | 'contact'> {
  const start = slope(from);
  if (start === 0) return { angle: from, contact: 'none' };
  const forward = start < 0;
  const stop = forward ? stops.forward : stops.back;
  let near: number = from;
  while (near !== stop) {
    const far: number = forward ? Math.min(stop, near + STEP) : Math.max(stop, near - STEP);
    if (Math.sign(slope(far)) !== Math.sign(start)) {
      const root = bisect(slope, Math.min(near, far), Math.max(near, far), EXACT);
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
