export { listJobs, openWorksheet, takeIn, worksheet } from './routes.js';
