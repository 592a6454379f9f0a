export { builtInMethods, type HouseMethods, type PostMethod } from './house-methods.js';
export { windString, type TurnsRule, type WindPlan } from './wind-string.js';
export { cutZones, type CutZone } from './cut-zones.js';
