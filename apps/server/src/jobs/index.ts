export { mergeInstruments } from './merge-instruments.js';
export { listJobs, openWorksheet, takeIn, worksheet } from './routes.js';
