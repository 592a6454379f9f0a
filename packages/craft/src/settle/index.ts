export type { Band } from '../band/index.js';
export { heardInRound, type RoundPhase, type RoundStep } from './by-ear.js';
export { forecastDrift, withinAYear, type DriftAsked, type DriftForecast, type DriftReading } from './drift.js';
export { afterHanging, creepLeft } from './hung.js';
export { expectedDrift, retunesOf, type Moving, type Retunes } from './retunes.js';
export { judgeRounds, type Rounds, type RoundsJudged, type RoundsVerdict } from './rounds.js';
