export { ArchiveFault } from './read-archive.js';
export { backUp, restore } from './restore.js';
export type { Contents } from './write-archive.js';
