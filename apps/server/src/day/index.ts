export { askedJob, changeHours, day, keepPlan, pin, promisesKept } from './routes.js';
