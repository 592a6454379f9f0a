export { aimOf, hasArrived, isThere, type Aim } from './aim';
export { HearingPanel } from './hearing-panel';
export { Listening } from './listening';
export { SimulatedInstrument } from './simulated-instrument';
