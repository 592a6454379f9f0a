export { act, actOf } from './act.js';
export { actsCsv, listActs } from './routes.js';
