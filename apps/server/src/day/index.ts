export { readDay } from './hours.js';
export { askedJob, changeHours, day, keepPlan, pin, promisesKept, setAway, visits } from './routes.js';
export { readTold, writeDay, type Told } from './told.js';
