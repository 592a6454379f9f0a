export type { Band } from '../band/index.js';
export { heardInRound, type RoundPhase, type RoundStep } from './by-ear.js';
export { forecastDrift, HOLDS, withinAYear, type DriftAsked, type DriftForecast, type DriftReading } from './drift.js';
export { expectedDrift, retunesOf, type Moving, type Retunes } from './retunes.js';
export { FINE_WORK, judgeRounds, type Rounds, type RoundsJudged, type RoundsVerdict } from './rounds.js';
