export { dueOf, type Due, type StrungSince } from './due.js';
export { livesOf, type Fitting, type StringLife } from './lives.js';
export { playedUntilWorn, wearOf, type HoursAsked, type Wear } from './wear.js';
