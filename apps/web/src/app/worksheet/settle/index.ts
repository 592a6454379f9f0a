export { SettleStage } from './settle-stage';
export { sayRounds } from './settle-words';
export { Settling, type SettlingString } from './settling';
