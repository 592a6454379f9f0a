export { appendToLog, LOG_CHANNEL } from './append.js';
export { rebuildProjections } from './project.js';
