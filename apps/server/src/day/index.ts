export { askedJob, changeHours, day, keepPlan, pin, promisesKept, visits } from './routes.js';
export { readTold, writeDay, type Told } from './told.js';
