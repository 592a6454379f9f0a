export { breakAngle, exitHeightFor, tangentPoint, type BreakAngle, type NutRun } from './break-angle.js';
export { turnsForAngle, type TurnsForAngle } from './turns-for-angle.js';
export { rollerBreakAngle, type RollerRun } from './roller-angle.js';
export { hangAtNut, type Hang } from './hang.js';
export { hardPluck, pluckSlope, type Pluck } from './pluck.js';
export { downforce, slotFit, type SlotFit } from './slot-fit.js';
