export { changeHours, day, keepPlan, pin } from './routes.js';
