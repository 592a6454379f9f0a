export { openInEmptyHouse } from './open-in-empty-house.js';
export type { CopyPlace } from './make.js';
export { copyNightly } from './nightly.js';
export { copyFile, listCopies, makeCopy } from './routes.js';
