export { appendToLog, LOG_CHANNEL } from './append.js';
export { askForRebuild, rebuildWhereAsked } from './rebuild.js';
