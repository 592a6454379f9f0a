export { calibrate, type Calibration, type Estimate } from './calibrate.js';
export type { CountedTurns } from './counted-turns.js';
