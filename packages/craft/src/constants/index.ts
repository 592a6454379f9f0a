export { type Constant } from './constant.js';
export { DENSITY, WRAPS, type Material, type Wrap } from './densities.js';
export {
  BEND_REACH,
  CALIPER,
  CORE_FROM_GAUGE,
  COUNTING,
  CREEP,
  HAND,
  HEADSTOCK,
  LEAST_PULL,
  LENGTH_AS_SOLD,
  NECK,
  NUT,
  PACE,
  SAFE_SHARE_OF_BREAKING,
  STEEL_MODULUS_STEPS,
  STRENGTH,
  WINDING,
  YOUNGS_MODULUS,
} from './mechanics.js';
export { DRIFT, ROUNDS } from './settling.js';
export { BRIDGE_READINGS, BRIDGE_WORK, FINE_TUNERS, FLOATING } from './floating.js';
export { BANDS, BEFORE_MEASURING, HEARING } from './knowing.js';
export { CUTTING, KINDS_OF_STRING, MINUTES, SETTLING_TIME } from './practice.js';
export { PEGS, RINGS, SETTLING_OF } from './simulated.js';
export { STRAYS } from './typical.js';
export { WEAR } from './wear.js';
export { LOW_OVER_SADDLE, SADDLE_SIDES, type SaddleSide } from './saddle.js';
export { GOOD_WORK, LEARNING } from './exercises.js';
export { FRICTION_PEGS, HAND_SECONDS, RESTRINGING, WARMTH } from './restring.js';
