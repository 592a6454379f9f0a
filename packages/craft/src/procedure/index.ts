export { builtInMethods, type HouseMethods, type PostMethod } from './house-methods.js';
export { windString } from './wind-string.js';
export type { TurnsRule, WindPlan } from './wind-plan.js';
export { cutZones, type CutZone } from './cut-zones.js';
