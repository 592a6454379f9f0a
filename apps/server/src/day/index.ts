export { askedJob, changeHours, day, keepPlan, pin } from './routes.js';
