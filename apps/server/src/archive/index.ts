export { ArchiveFault } from './read-archive.js';
export { backUp, restore } from './restore.js';
