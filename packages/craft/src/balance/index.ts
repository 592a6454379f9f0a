export { blockLoad, type BlockLoad } from './block-load.js';
export type { BridgeString, FloatingBridge, RestLengths, Springs } from './bridge.js';
export { levelClaw, type ClawProblem } from './claw.js';
export { coupling } from './coupling.js';
export { levelRests, restsFrom, settle, type Balance } from './equilibrium.js';
export { onePass, type PassStep } from './one-pass.js';
