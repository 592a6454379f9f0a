export { instructionFor, sayCutTime } from './instruction';
export { laneNumbers, sayFor } from './lane-rows';
export { sayOverfull } from './overfull';
