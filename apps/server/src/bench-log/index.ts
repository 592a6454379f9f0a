export { appendToLog, LOG_CHANNEL } from './append.js';
export { askForRebuild, projectAgain, rebuildWhereAsked } from './rebuild.js';
export { countsFor } from './project-counts.js';
export { timesFor } from './project-times.js';
export { readEvents } from './read-events.js';
export { logCsv, logJson, readLog } from './log-routes.js';
export { appendEvents, jobEvents } from './routes.js';
