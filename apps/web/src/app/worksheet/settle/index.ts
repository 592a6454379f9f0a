export { SettleStage } from './settle-stage';
export { sayRounds } from './settle-words';
export { RetunePlanned } from './retune-plan';
export { RoundsByEar } from './rounds-by-ear';
export { Settling, type SettlingString } from './settling';
