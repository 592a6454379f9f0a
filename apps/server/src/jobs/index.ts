export { mergeInstruments } from './merge-instruments.js';
export { listJobs, movePromise, openWorksheet, takeIn, worksheet } from './routes.js';
