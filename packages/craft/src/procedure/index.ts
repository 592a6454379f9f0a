export { windString } from './wind-string.js';
export type { ClampPlan, Nut, PostPlan, TurnsRule, WindPlan, WindRequest } from './wind-plan.js';
export { cutZones, zoneAt, type CutZone } from './cut-zones.js';
export { practiceGap, type PracticeGap } from './practice-gap.js';
export type { RetuningRoom } from './retuning-room.js';
export type { Offcut } from './offcut.js';
export { turnsBetween, type Button } from './turns-between.js';
