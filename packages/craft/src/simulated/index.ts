export { caliperReadings } from './caliper.js';
export { chanceFrom, handStrength, normal } from './chance.js';
export { holdFlush, holdOf } from './holds.js';
export { wound, type Strung } from './from-plan.js';
export { atSaddle, bridgeUnderNow, longerBy, pullOfSimulated, type PullAt } from './on-bridge.js';
export { coldAfter, strainLost } from './warmth.js';
export { inharmonicityOf, soundOf, type Standing } from './sound.js';
export { pitchNow, pullsOf, strungUp, type SimulatedString, type StringState } from './string-state.js';
export { clamped, fineTuned, letGo, paidOut, rested, settleDown, stretched, turned } from './work.js';
