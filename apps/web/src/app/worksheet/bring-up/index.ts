export { BringUp } from './bring-up';
export { Listening } from './listening';
export { SimulatedInstrument } from './simulated-instrument';
