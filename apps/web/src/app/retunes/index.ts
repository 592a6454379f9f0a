export { RetuneAlarm } from './retune-alarm';
export { RetuneFact } from './retune-fact';
export { RetuneTimes } from './retune-times';
