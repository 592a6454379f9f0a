import {
  calibrateSprings,
  levelClaw,
  type BridgeString,
  type BridgeTrial,
  type FloatingBridge,
  type ReadingErrors,
  type SpringsLearned,
} from '../balance/index.js';
import { fromDegrees, fromMillimetres, hertz, kilogramsPerMetre, newtons, type Cents, type Hertz, type Metres } from '../units/index.js';

const mm = fromMillimetres;
/** Six strings of a usual light set; EA and mass of steel wire and of steel cores under nickel. */
const MAKES: readonly (readonly [number, number, number])[] = [
  [10_306, 0.000396, 329.63],
  [17_418, 0.00067, 246.94],
  [29_786, 0.001145, 196],
  [19_001, 0.002249, 146.83],
  [27_536, 0.004253, 110],
  [36_413, 0.006889, 82.41],
];
export const lightSet: BridgeString[] = MAKES.map(([stiffness, density, pitch]) => ({
  stiffness: newtons(stiffness),
  restDensity: kilogramsPerMetre(density),
  massBand: 0.03,
  scaleLength: mm(648),
  extra: mm(60),
  saddleHeight: mm(10.5),
  saddleOffset: mm(-3),
  pitch: hertz(pitch),
  breakingLoad: null,
}));
/** A floating bridge of the usual size under that set. */
export const floatingBridge: FloatingBridge = {
  strings: lightSet,
  springs: { count: 3, rate: 1200, initial: newtons(8), free: mm(55), arm: mm(40) },
  stops: { back: fromDegrees(-9), forward: fromDegrees(25) },
};

export const withRate = (rate: number, initial = 8): FloatingBridge => ({
  ...floatingBridge,
  springs: { ...floatingBridge.springs, rate, initial: newtons(initial) },
});

export function levelOf(bridge: FloatingBridge): Metres {
  const level = levelClaw(bridge);
  if (!level.ok) throw new Error('the bridge of the spec has a level');
  return level.value;
}

/** Each string so many cents from its note. */
export const offBy = (cents: readonly number[]): Hertz[] =>
  lightSet.map(({ pitch }, index) => hertz(pitch * 2 ** ((cents[index] ?? 0) / 1200)));
export const centsFrom = (frequencies: readonly (number | null)[]): (Cents | null)[] =>
  frequencies.map((frequency, index) =>
    frequency === null ? null : ((1200 * Math.log2(frequency / (lightSet[index]?.pitch ?? Number.NaN))) as Cents),
  );

/** What trials on this bridge say of its springs. */
export function learned(trials: readonly BridgeTrial[], errors: ReadingErrors, bridge = floatingBridge): SpringsLearned {
  const springs = calibrateSprings(bridge, null, trials, errors);
  if (springs === null) throw new Error('some springs hold the bridge of the spec');
  return springs;
}
export { logOf, type Happening } from './log.js';
export { anyPlan, clampOf, planOf, stringsOf } from './plans.js';
export { bestByTrying, faultsOf } from './day-best.js';
export { bandAt, piece, somebody, someJob, someRack } from './day-rack.js';
export { bare, does, kindsOf, laidOut, restrung, right, started, thread, up, woundAt } from './restringing.js';
