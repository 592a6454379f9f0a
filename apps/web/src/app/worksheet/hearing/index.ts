export { aimOf, hasArrived, isThere, type Aim } from './aim';
export { HearingPanel } from './hearing-panel';
export { Listening } from './listening';
export { SimulatedBridge } from './simulated-bridge';
export { SimulatedInstrument } from './simulated-instrument';
